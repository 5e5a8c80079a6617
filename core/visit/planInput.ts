import { centimetres } from '../units'
import { UNASKED_MAKE_UP } from '../catalogue/consultation/makeUp'
import { DRANK_RULE } from '../catalogue/products/watering'
import { seasonOf } from '../catalogue/skin/season'
import type { RegionId } from '../face/zones'
import { lastTaken } from '../load/had'
import type { PlanInput } from '../planning/input'
import type { Readings } from '../skin/readings'
import { VISIT_MINUTES } from '../catalogue/rules/visit'
import { thirstyNow } from '../treatment/step/absorption'
import type { VisitBundle } from './bundle'
import { drankLastTime, lastSettings } from './lastTime'
import { todayOf } from './today'

/**
 * A visit as the question that planning answers. Settling in, sitting up and clearing are steps of
 * the plan; the slot is the booked time.
 */
export function toPlanInput(
  bundle: VisitBundle,
  more: Partial<Pick<PlanInput, 'slotMinutes' | 'within'>> & { readings?: Readings } = {},
): PlanInput {
  const { profile, verdict, suspected, patch, residual } = todayOf(bundle, more)
  const { visit, client, past, lastTime } = bundle
  return {
    today: bundle.today,
    daylight: !visit.evening,
    slotMinutes: more.slotMinutes ?? minutesToday(visit),
    makeUp: visit.makeUp ?? UNASKED_MAKE_UP,
    profile,
    answers: bundle.answers,
    verdict,
    past,
    usedBefore: bundle.usedProducts,
    ...(more.within ? { within: more.within } : {}),
    ...(lastTime && lastTaken(past) === 'well'
      ? { lastSettings: lastSettings(lastTime.times) }
      : {}),
    firstVisit: bundle.previousPlan === null && past.length === 0,
    residual,
    shelf: bundle.shelf,
    patch,
    suspected,
    devices: bundle.devices,
    ...(bundle.ways.length > 0 ? { ways: bundle.ways } : {}),
    inUse: bundle.inUse,
    held: bundle.held,
    licences: bundle.staff.licences,
    school: visit.school,
    policy: bundle.policy,
    life: client.preferences,
    season: seasonOf(bundle.today, bundle.practice.timeZone),
    aims: visit.aims,
    named: visit.named,
    learned: bundle.learned,
    thirsty: thirstyNow(bundle.events, bundle.plans, drankBefore(bundle)),
    faceSize: { height: centimetres(client.faceHeightMm), width: centimetres(client.faceWidthMm) },
  }
}

/** What is left of the hour for a client who came late. */
const minutesToday = ({
  minutes,
  lateMinutes = 0,
}: Pick<VisitBundle['visit'], 'minutes' | 'lateMinutes'>): number =>
  Math.max(VISIT_MINUTES.least, minutes - lateMinutes)

/** What the last visit showed of thirst, unless that is set aside for this one. */
const drankBefore = ({ lastTime, lifts }: VisitBundle): RegionId[] =>
  lastTime && !lifts.some((lift) => lift.rule === DRANK_RULE) ? drankLastTime(lastTime.times) : []
