import type { Option } from '../question/planCase'
import type { Reached, Transition } from './transitions'

/**
 * One way through a stage: an option from one state of the skin to the next, or none. `from` and
 * `to` count within their layers.
 */
export interface Way {
  from: number
  to: number
  ticks: number
  /** How much the option is liked, less what its connecting steps here cost. */
  taste: number
  option: Option | undefined
  move: Transition | undefined
}

/**
 * The ways of one stage side by side in columns, those of one state together: `starts[state]` to
 * `starts[state + 1]`. There are thousands, and most are dropped again.
 */
export interface RawLayer {
  id: string
  soonest: readonly number[]
  longest: readonly number[]
  starts: readonly number[]
  to: readonly number[]
  /** Number of the option within its stage; −1 is none. */
  order: readonly number[]
  /** What the options do, by state. */
  reached: readonly Reached[]
  options: readonly Option[]
  /** What one connecting step costs, in the currency of taste. */
  linkCost: number
}
export interface MergedLayer {
  id: string
  soonest: number[]
  longest: number[]
  /** By state. */ ways: Way[][]
}

/**
 * States from which just the same may follow become one: the same options, in as many ticks, with
 * as many connecting steps and the same loads, to states that are one already.
 * From the end backwards; no plan gains or loses by it.
 * @returns the layers with their states renumbered, and how many ends are left
 */
export function mergeEquivalent(
  raw: readonly RawLayer[],
  ends: number,
): { layers: MergedLayer[]; ends: number } {
  let same: readonly number[] = Array.from({ length: ends }, () => 0)
  const layers: MergedLayer[] = []
  for (let stage = raw.length - 1; stage >= 0; stage--) {
    const layer = raw[stage]
    if (!layer) continue
    const merged = mergedStates(layer, same)
    same = merged.same
    layers.unshift(merged.out)
  }
  return { layers, ends: Math.min(1, ends) }
}

function mergedStates(
  layer: RawLayer,
  later: readonly number[],
): { same: number[]; out: MergedLayer } {
  const to = layer.to.map((state) => later[state] ?? 0)
  const known = new Map<number, number[]>()
  const first: number[] = []
  const same: number[] = []
  const soonest: number[] = []
  const longest: number[] = []
  const ways: Way[][] = []
  for (let state = 0; state < layer.soonest.length; state++) {
    const hash = hashOf(layer, to, state)
    const list = known.get(hash)
    const found = list?.find((index) => followAlike(layer, to, first[index] ?? 0, state))
    const early = layer.soonest[state] ?? 0
    const late = layer.longest[state] ?? 0
    if (found !== undefined) {
      same.push(found)
      soonest[found] = Math.min(soonest[found] ?? early, early)
      longest[found] = Math.max(longest[found] ?? late, late)
      continue
    }
    const index = first.length
    if (list) list.push(index)
    else known.set(hash, [index])
    first.push(state)
    same.push(index)
    soonest.push(early)
    longest.push(late)
    ways.push(waysOf(layer, to, state, index))
  }
  return { same, out: { id: layer.id, soonest, longest, ways } }
}

/** Whether from two states just the same may follow. */
function followAlike(layer: RawLayer, to: readonly number[], one: number, other: number): boolean {
  const { starts, order, reached } = layer
  const i = starts[one] ?? 0
  const j = starts[other] ?? 0
  const count = (starts[one + 1] ?? 0) - i
  if ((starts[other + 1] ?? 0) - j !== count) return false
  const here = reached[one]
  const there = reached[other]
  for (let arc = 0; arc < count; arc++) {
    const option = order[i + arc] ?? -1
    if (
      option !== order[j + arc] ||
      to[i + arc] !== to[j + arc] ||
      (option >= 0 &&
        (here?.ticks[option] !== there?.ticks[option] ||
          here?.links[option] !== there?.links[option] ||
          here?.loadsIds[option] !== there?.loadsIds[option]))
    )
      return false
  }
  return true
}

/** States from which the same follows have the same number; others mostly another. */
function hashOf({ starts, order, reached }: RawLayer, to: readonly number[], state: number) {
  const end = starts[state + 1] ?? 0
  const here = reached[state]
  let hash = 17
  for (let arc = starts[state] ?? 0; arc < end; arc++) {
    const option = order[arc] ?? -1
    hash =
      (Math.imul(hash, 31) +
        option * 7919 +
        (to[arc] ?? 0) * 104729 +
        (here?.ticks[option] ?? 0) * 13 +
        (here?.links[option] ?? 0) * 17 +
        (here?.loadsIds[option] ?? 0)) |
      0
  }
  return hash
}

function waysOf(layer: RawLayer, to: readonly number[], state: number, from: number): Way[] {
  const { starts, order, reached, options, linkCost } = layer
  const end = starts[state + 1] ?? 0
  const ways: Way[] = []
  for (let arc = starts[state] ?? 0; arc < end; arc++) {
    const option = order[arc] ?? -1
    const move = reached[state]?.moves[option] ?? undefined
    const chosen = move && options[option]
    ways.push({
      from,
      to: to[arc] ?? 0,
      ticks: move?.ticks ?? 0,
      taste: (chosen?.taste ?? 0) - linkCost * (move?.links ?? 0),
      option: chosen,
      move,
    })
  }
  return ways
}
