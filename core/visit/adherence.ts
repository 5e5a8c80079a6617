import type { HomeStepId } from '../catalogue/home/homeSteps'
import { adherenceOf, type Adherence } from '../home/adherence'
import type { HomeAsked } from '../home/asked'
import type { HomeRoutine } from '../home/routine'
import { overlay } from '../skin/readings'
import type { VisitBundle } from './bundle'
import { lastTimes } from './lastTime'
import { recordParts, readParts } from './record'
import { wasTreated } from './status'
import { waterExpected } from './waterExpected'

/** How the routine that was in force until this visit is likely kept, by all that the visit shows. */
export function adherenceAt(
  bundle: VisitBundle,
  routine: HomeRoutine | null,
  asked: HomeAsked,
): Adherence {
  const { today, answers, readings, previousReading, shelf } = bundle
  // A routine written today has not been lived by yet.
  const inForce = routine && routine.from < today ? routine : null
  const now = overlay(readings.madeUp ?? {}, readings.bare ?? {})
  const packMillilitres: Partial<Record<HomeStepId, number>> = {}
  for (const { id, product } of [...(inForce?.morning ?? []), ...(inForce?.evening ?? [])]) {
    const bottle = shelf.find((item) => item.product.name === product)
    if (bottle) packMillilitres[id as HomeStepId] = bottle.product.packMillilitres
  }
  return adherenceOf({
    routine: inForce,
    today,
    answers,
    packs: asked.packs,
    packMillilitres,
    water: watersOf(bundle),
    skin: previousReading ? { before: previousReading.zones, now } : null,
  })
}

/** The additions of a step that has ended; nothing while it goes on. */
function watersOf(bundle: VisitBundle) {
  if (!wasTreated(bundle.visit.status)) return null
  const { treatment } = readParts(bundle.seal ? bundle.record : recordParts(bundle, ''))
  const count = lastTimes(treatment).find(({ water }) => water !== undefined)?.water
  return count === undefined ? null : { count, forecast: waterExpected(bundle) }
}
