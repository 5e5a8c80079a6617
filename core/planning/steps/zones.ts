import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { isOnSide } from '../../face/sides'
import type { RegionId } from '../../face/zones'
import { offWhere } from '../../timing/schedule'
import type { Edit } from './edit'

/**
 * A zone more or less of a step, and of what belongs to it: what is mixed for it, and what takes it off
 * there again. Where something else comes off by the same step, that step keeps the zone.
 * @throws RangeError when there is no such step
 */
export function zoneEdits(steps: readonly PlanStep[], key: string, region: RegionId): Edit[] {
  const place = steps.findIndex((step) => step.key === key)
  const step = steps[place]
  if (!step) throw new RangeError(`no step ${key}`)
  const adds = !step.regions.includes(region)
  const set = (own: PlanStep): Edit[] => {
    if (own.regions.includes(region) === adds) return []
    const regions = adds
      ? [...own.regions, region]
      : own.regions.filter((other) => other !== region)
    // A zone of the other side makes it whole again.
    const whole = adds && own.half !== undefined && !isOnSide({ regions, half: own.half })
    return [{ do: 'set', key: own.key, patch: { regions, ...(whole ? { half: undefined } : {}) } }]
  }
  const before = steps[place - 1]
  const mixed = before && techniqueOf(step).after === before.technique ? set(before) : []
  return [...set(step), ...mixed, ...offEdits(steps, place, region, adds, set)]
}

/** What takes it off: all of it where a zone is added, that zone alone where one goes. */
function offEdits(
  steps: readonly PlanStep[],
  place: number,
  region: RegionId,
  adds: boolean,
  set: (own: PlanStep) => Edit[],
): Edit[] {
  const step = steps[place]
  if (!step || !techniqueOf(step).dwell) return []
  const off = [...offWhere(steps, place)].filter(([at]) => at >= 0)
  if (adds) {
    const last = steps[Math.max(-1, ...off.map(([at]) => at))]
    return last ? set(last) : []
  }
  return off.flatMap(([at, regions]) => {
    const taking = steps[at]
    const others = steps.some(
      (other, i) =>
        i !== place &&
        techniqueOf(other).dwell !== undefined &&
        offWhere(steps, i).get(at)?.includes(region),
    )
    return taking && regions.includes(region) && !others ? set(taking) : []
  })
}
