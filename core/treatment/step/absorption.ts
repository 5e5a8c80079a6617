import { DRANK_FROM, WATERING, type AbsorbedGrade } from '../../catalogue/products/watering'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { inOrder, type TreatmentEvent } from '../taps/events'
import type { RoomState } from '../fold/roomState'

/** How each zone took what watered it, by the latest tap. */
export type Absorbed = Readonly<Partial<Record<RegionId, AbsorbedGrade>>>

/** Whether this step lays something on that a zone may drink. */
const waters = ({ technique }: Pick<PlanStep, 'technique'>): boolean => {
  const { product } = TECHNIQUES[technique]
  return product !== undefined && WATERING[product] !== undefined
}

/**
 * The step of which the zones are asked now: the latest that waters the skin and is off again or
 * has been worked in. Undefined while none has, and while it still lies.
 */
export function absorbedOf(state: RoomState, steps: readonly PlanStep[]): PlanStep | undefined {
  const lying = state.resting.filter((own) => own.endedAt === undefined).map((own) => own.key)
  const done = state.done.filter(
    ({ key, skipped }) => skipped === undefined && !lying.includes(key),
  )
  const watered = done.flatMap(({ key }) => steps.find((step) => step.key === key) ?? [])
  return watered.filter(waters).at(-1)
}

/**
 * The zones that take a second layer: what was tapped today goes before what the last visit showed.
 * @param plans steps of every version: a tap that names none of them says nothing
 * @param before zones that drank last time, [] where that is set aside
 */
export function thirstyNow(
  events: readonly TreatmentEvent[],
  plans: readonly { steps: readonly PlanStep[] }[],
  before: readonly RegionId[],
): RegionId[] {
  const today: Partial<Record<RegionId, AbsorbedGrade>> = {}
  const known = new Set(plans.flatMap(({ steps }) => steps.map((step) => step.key)))
  for (const { body } of inOrder(events))
    if (body.kind === 'absorbed' && known.has(body.key)) today[body.region] = body.grade
  return REGION_IDS.filter((region) => {
    const grade = today[region]
    return grade === undefined ? before.includes(region) : grade >= DRANK_FROM
  })
}
