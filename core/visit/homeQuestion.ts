import { suggestNext } from '../course/next'
import { asUsed, type HomeAsked, type HomeWishes } from '../home/asked'
import type { HomeQuestion } from '../home/routine'
import { pouredAtHome } from '../load/home'
import { fold } from '../treatment/fold/fold'
import { dayOfMoment } from '../screening/asking/told'
import type { VisitBundle } from './bundle'
import { toPlanInput } from './planInput'
import { readParts, recordParts, stepsDone } from './record'
import { foldContext } from './roomContext'
import { wasTreated } from './status'

/** A visit as the question that the routine at home answers. */
export function homeQuestionOf(
  bundle: VisitBundle,
  asked: HomeAsked,
  wishes: HomeWishes,
): HomeQuestion {
  const { today, visit, practice } = bundle
  const input = toPlanInput(bundle)
  const treated = wasTreated(visit.status)
  const { aftercare, work } = treated
    ? readParts(bundle.seal ? bundle.record : recordParts(bundle, ''))
    : { aftercare: [], work: null }
  const home = pouredAtHome(bundle.answers, today, practice.timeZone, { until: visit.at })
  const own = work ? [{ at: visit.at, label: work.label, loads: work.loads }] : []
  return {
    ...{ asked: asUsed(asked, bundle.answers), wishes, input, until: nextDayOf(bundle) },
    timeZone: practice.timeZone,
    card: aftercare.map(({ rule, sentence, until }) => ({
      ...{ rule, sentence, until: Date.parse(until) },
    })),
    work: work && {
      day: dayOfMoment(visit.at, practice.timeZone),
      families: work.families,
      regions: work.regions,
    },
    poured: [
      ...bundle.poured.filter(({ planned }) => planned === undefined || !bundle.answers[planned]),
      ...home,
      ...own,
    ],
  }
}

/** The day of the next visit: the one that is booked, else the one that is suggested. ISO day. */
export function nextDayOf(bundle: VisitBundle): string {
  const { visit, nextBooked, practice, today } = bundle
  const at = nextBooked?.startsAt ?? visit.nextVisitAt
  const day = at === null ? undefined : dayOfMoment(at, practice.timeZone)
  if (day !== undefined && day > today) return day
  const input = toPlanInput(bundle)
  const state = fold(bundle.events, foldContext(bundle, input))
  return suggestNext(
    stepsDone(bundle, state).map(({ technique }) => technique),
    today,
  ).day
}
