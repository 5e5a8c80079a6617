import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import {
  bothSides,
  onSide,
  OTHER_SIDE,
  sidesOn,
  whereOf,
  type Side,
  type Where,
} from '../../face/sides'
import type { RegionId } from '../../face/zones'
import { offWhere } from '../../timing/schedule'
import { applyEdits, type Edit } from './edit'
import { zoneEdits } from './zones'

/** The one side of the face that a step is worked on; undefined where it is both, or neither. */
export function sideWorked(step: PlanStep): Side | undefined {
  const sides = new Set(step.regions.flatMap((region) => sidesOn(step, region)))
  const [only, ...more] = sides
  return more.length === 0 ? only : undefined
}

/**
 * A step on one side of its zones alone, or on both again, with what is mixed for it and what takes it off.
 * @param side undefined for both
 * @throws RangeError when there is no such step
 */
export function sideEdits(steps: readonly PlanStep[], key: string, side: Side | undefined): Edit[] {
  const place = steps.findIndex((step) => step.key === key)
  const step = steps[place]
  if (!step) throw new RangeError(`no step ${key}`)
  const both: Where = { regions: bothSides(step) }
  const wanted = side === undefined ? both : onSide(both, side)
  const differ = both.regions.filter(
    (region) => step.regions.includes(region) !== wanted.regions.includes(region),
  )
  const edits: Edit[] = []
  for (const region of differ) edits.push(...zoneEdits(applyEdits(steps, edits), key, region))
  const before = steps[place - 1]
  const mixed = before && techniqueOf(step).after === before.technique ? [before.key] : []
  for (const own of [key, ...mixed, ...onlyFor(steps, place)])
    edits.push({ do: 'set', key: own, patch: { half: wanted.half } })
  return edits
}

/** Keys of what takes off this step's product and nothing else. */
function onlyFor(steps: readonly PlanStep[], place: number): string[] {
  const takenOff = (i: number) =>
    steps[i] && techniqueOf(steps[i]).dwell ? [...offWhere(steps, i).keys()] : []
  const others = new Set(steps.flatMap((_, i) => (i === place ? [] : takenOff(i))))
  return takenOff(place).flatMap((at) => {
    const off = steps[at]
    return off && !others.has(at) ? [off.key] : []
  })
}

/**
 * The other half beside a step that is worked on one: the same there, to be given another product or
 * exchanged. What takes the first off takes this off too.
 */
export function otherHalfEdits(steps: readonly PlanStep[], key: string): Edit[] {
  const place = steps.findIndex((step) => step.key === key)
  const step = steps[place]
  const side = step && sideWorked(step)
  if (!step || !side) throw new RangeError(`no half ${key}`)
  const before = steps[place - 1]
  const mixed = before && techniqueOf(step).after === before.technique ? [before] : []
  const next = steps[place + 1]?.key ?? null
  const there = onSide({ regions: bothSides(step) }, OTHER_SIDE[side])
  const added = [...mixed, step].map(
    ({ key: _key, pinned: _pinned, half: _half, ...own }): Edit => ({
      do: 'insert',
      before: next,
      step: { ...own, ...whereOf(there), why: [{ rule: 'by-hand', text: 'the other half' }] },
    }),
  )
  const off = techniqueOf(step).dwell ? Math.max(-1, ...offWhere(steps, place).keys()) : -1
  const last = steps[off]
  return last ? [...added, widen(last, there.regions)] : added
}

const widen = ({ key, regions }: PlanStep, more: readonly RegionId[]): Edit => ({
  do: 'set',
  key,
  patch: { regions: [...new Set([...regions, ...more])], half: undefined },
})
