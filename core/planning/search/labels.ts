import type { Remaining } from './bounds'
import type { Way } from './layers'
import type { PlanCase } from '../question/planCase'
import { returns } from './returns'

/** A plan as far as some stage: where it leaves the skin, and what it has taken and brought. */
export interface Label {
  /** State of the skin, within the layer of its stage. */
  at: number
  ticks: number
  loads: readonly number[]
  effects: readonly number[]
  taste: number
  cost: number
  idle: number
  exfoliations: number
  marks: number
  /** Option ids so far, each after a mark: ties go by them. */
  ids: string
  way: Way | undefined
  back: Label | undefined
}

/**
 * Loads with a move's added; undefined where that goes over a ceiling. Ceilings in the order of the
 * regions.
 */
export function addLoads(
  have: readonly number[],
  add: readonly number[],
  ceilings: readonly number[],
): readonly number[] | undefined {
  let same = true
  for (let i = 0; i < have.length; i++) {
    const more = add[i] as number
    if (more === 0) continue
    same = false
    if ((have[i] as number) + more > (ceilings[i] as number)) return undefined
  }
  return same ? have : have.map((amount, i) => amount + (add[i] as number))
}

/**
 * A load that nothing still to come can lift over the ceiling no longer tells two labels apart. Real
 * loads are summed again at the end.
 */
export function forget(
  loads: readonly number[],
  ceilings: readonly number[],
  remaining: Remaining,
): readonly number[] {
  let out: number[] | readonly number[] = loads
  for (let i = 0; i < loads.length; i++) {
    const load = loads[i] as number
    if (load === 0 || load + (remaining.loads[i] ?? 0) > (ceilings[i] as number)) continue
    if (out === loads) out = [...loads]
    ;(out as number[])[i] = 0
  }
  return out
}

export const plus = (one: readonly number[], other: readonly number[]): readonly number[] =>
  one.map((item, i) => item + (other[i] ?? 0))

export function worth(planCase: PlanCase, effects: readonly number[], taste: number): number {
  let total = taste
  for (let i = 0; i < effects.length; i++)
    total += (planCase.weights[i] ?? 0) * returns(effects[i] ?? 0)
  return total
}

/**
 * Keeps a label among those of its state unless one of them dominates it; drops those that it
 * dominates.
 */
export function offer(
  next: Map<number, Label[]>,
  label: Label,
  planCase: PlanCase,
  remaining: Remaining,
): void {
  const list = next.get(label.at)
  if (!list) {
    next.set(label.at, [label])
    return
  }
  for (const other of list) if (dominates(other, label, planCase, remaining)) return
  let kept = 0
  for (const other of list) if (!dominates(label, other, planCase, remaining)) list[kept++] = other
  list.length = kept
  list.push(label)
}

/**
 * Whether every completion of `b` is also open to `a` and ends no lower in the order.
 * Returns are concave: where `a` is ahead in an aim its lead is smallest after the most that may
 * still come, where it is behind its lag is largest now.
 * Cost and idle minutes decide only between labels that are otherwise equal; then the smaller ids.
 */
function dominates(one: Label, other: Label, planCase: PlanCase, remaining: Remaining): boolean {
  if (
    one.ticks > other.ticks ||
    one.exfoliations > other.exfoliations ||
    (one.marks & ~other.marks) !== 0
  )
    return false
  if (one.loads !== other.loads)
    for (let i = 0; i < one.loads.length; i++)
      if ((one.loads[i] as number) > (other.loads[i] as number)) return false
  let lead = one.taste - other.taste
  let equal = lead === 0
  for (let i = 0; i < one.effects.length; i++) {
    const ea = one.effects[i] as number
    const eb = other.effects[i] as number
    if (ea === eb) continue
    equal = false
    const shift = ea > eb ? (remaining.effects[i] ?? 0) : 0
    lead += (planCase.weights[i] ?? 0) * (returns(ea + shift) - returns(eb + shift))
  }
  if (lead > 0) return true
  if (!equal) return false
  if (one.cost !== other.cost) return one.cost < other.cost
  if (one.idle !== other.idle) return one.idle < other.idle
  // What follows is the same for both, so a name that another begins with is compared with the mark
  // after it.
  return `${one.ids}|` <= `${other.ids}|`
}

/**
 * Order of finished plans: greatest value, least cost, fewest idle ticks, smallest ids. Below zero
 * when the first is better.
 */
export function compare(planCase: PlanCase, one: Label, other: Label): number {
  return (
    worth(planCase, other.effects, other.taste) - worth(planCase, one.effects, one.taste) ||
    one.cost - other.cost ||
    one.idle - other.idle ||
    (one.ids < other.ids ? -1 : 1)
  )
}
