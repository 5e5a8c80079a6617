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
 * Loads with a move's added; undefined where that goes over a tolerance. Tolerances in the order of the
 * regions.
 */
export function addLoads(
  have: readonly number[],
  add: readonly number[],
  tolerances: readonly number[],
): readonly number[] | undefined {
  let same = true
  for (let i = 0; i < have.length; i++) {
    const a = add[i] as number
    if (a === 0) continue
    same = false
    if ((have[i] as number) + a > (tolerances[i] as number)) return undefined
  }
  return same ? have : have.map((h, i) => h + (add[i] as number))
}

/**
 * A load that nothing still to come can lift over the tolerance no longer tells two labels apart. Real
 * loads are summed again at the end.
 */
export function forget(
  loads: readonly number[],
  tolerances: readonly number[],
  remaining: Remaining,
): readonly number[] {
  let out: number[] | readonly number[] = loads
  for (let i = 0; i < loads.length; i++) {
    const l = loads[i] as number
    if (l === 0 || l + (remaining.loads[i] ?? 0) > (tolerances[i] as number)) continue
    if (out === loads) out = [...loads]
    ;(out as number[])[i] = 0
  }
  return out
}

export const plus = (a: readonly number[], b: readonly number[]): readonly number[] =>
  a.map((x, i) => x + (b[i] ?? 0))

export function worth(c: PlanCase, effects: readonly number[], taste: number): number {
  let v = taste
  for (let i = 0; i < effects.length; i++) v += (c.weights[i] ?? 0) * returns(effects[i] ?? 0)
  return v
}

/**
 * Keeps a label among those of its state unless one of them dominates it; drops those that it
 * dominates.
 */
export function offer(
  next: Map<number, Label[]>,
  label: Label,
  c: PlanCase,
  remaining: Remaining,
): void {
  const list = next.get(label.at)
  if (!list) {
    next.set(label.at, [label])
    return
  }
  for (const other of list) if (dominates(other, label, c, remaining)) return
  let kept = 0
  for (const other of list) if (!dominates(label, other, c, remaining)) list[kept++] = other
  list.length = kept
  list.push(label)
}

/**
 * Whether every completion of `b` is also open to `a` and ends no lower in the order.
 * Returns are concave: where `a` is ahead in an aim its lead is smallest after the most that may
 * still come, where it is behind its lag is largest now.
 * Cost and idle minutes decide only between labels that are otherwise equal; then the smaller ids.
 */
function dominates(a: Label, b: Label, c: PlanCase, remaining: Remaining): boolean {
  if (a.ticks > b.ticks || a.exfoliations > b.exfoliations || (a.marks & ~b.marks) !== 0)
    return false
  if (a.loads !== b.loads)
    for (let i = 0; i < a.loads.length; i++)
      if ((a.loads[i] as number) > (b.loads[i] as number)) return false
  let lead = a.taste - b.taste
  let equal = lead === 0
  for (let i = 0; i < a.effects.length; i++) {
    const ea = a.effects[i] as number
    const eb = b.effects[i] as number
    if (ea === eb) continue
    equal = false
    const shift = ea > eb ? (remaining.effects[i] ?? 0) : 0
    lead += (c.weights[i] ?? 0) * (returns(ea + shift) - returns(eb + shift))
  }
  if (lead > 0) return true
  if (!equal) return false
  if (a.cost !== b.cost) return a.cost < b.cost
  if (a.idle !== b.idle) return a.idle < b.idle
  // What follows is the same for both, so a name that another begins with is compared with the mark
  // after it.
  return `${a.ids}|` <= `${b.ids}|`
}

/**
 * Order of finished plans: greatest value, least cost, fewest idle ticks, smallest ids. Below zero
 * when the first is better.
 */
export function compare(c: PlanCase, a: Label, b: Label): number {
  return (
    worth(c, b.effects, b.taste) - worth(c, a.effects, a.taste) ||
    a.cost - b.cost ||
    a.idle - b.idle ||
    (a.ids < b.ids ? -1 : 1)
  )
}
