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
}
export interface AlikeLayer {
  id: string
  soonest: number[]
  longest: number[]
  /** By state. */ ways: Way[][]
}

/**
 * States from which just the same may follow become one: the same options, in as many ticks, with
 * the same loads, to states that are one already.
 * From the end backwards; no plan gains or loses by it.
 * @returns the layers with their states renumbered, and how many ends are left
 */
export function alike(
  raw: readonly RawLayer[],
  ends: number,
): { layers: AlikeLayer[]; ends: number } {
  let same: readonly number[] = Array.from({ length: ends }, () => 0)
  const layers: AlikeLayer[] = []
  for (let s = raw.length - 1; s >= 0; s--) {
    const layer = raw[s]
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
): { same: number[]; out: AlikeLayer } {
  const { starts, order, reached } = layer
  const to = layer.to.map((t) => later[t] ?? 0)
  const known = new Map<number, number[]>()
  const first: number[] = []
  const same: number[] = []
  const soonest: number[] = []
  const longest: number[] = []
  const ways: Way[][] = []
  const equal = (a: number, b: number): boolean => {
    const i = starts[a] ?? 0
    const j = starts[b] ?? 0
    const n = (starts[a + 1] ?? 0) - i
    if ((starts[b + 1] ?? 0) - j !== n) return false
    const x = reached[a]
    const y = reached[b]
    for (let k = 0; k < n; k++) {
      const o = order[i + k] ?? -1
      if (
        o !== order[j + k] ||
        to[i + k] !== to[j + k] ||
        (o >= 0 && (x?.ticks[o] !== y?.ticks[o] || x?.loadsIds[o] !== y?.loadsIds[o]))
      )
        return false
    }
    return true
  }
  for (let state = 0; state < layer.soonest.length; state++) {
    const end = starts[state + 1] ?? 0
    let hash = 17
    const here = reached[state]
    for (let k = starts[state] ?? 0; k < end; k++) {
      const o = order[k] ?? -1
      hash =
        (Math.imul(hash, 31) +
          o * 7919 +
          (to[k] ?? 0) * 104729 +
          (here?.ticks[o] ?? 0) * 13 +
          (here?.loadsIds[o] ?? 0)) |
        0
    }
    const list = known.get(hash)
    const found = list?.find((index) => equal(first[index] ?? 0, state))
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
    const own: Way[] = []
    for (let k = starts[state] ?? 0; k < end; k++) {
      const o = order[k] ?? -1
      const move = here?.moves[o] ?? undefined
      own.push({
        from: index,
        to: to[k] ?? 0,
        ticks: move?.ticks ?? 0,
        option: move && layer.options[o],
        move,
      })
    }
    ways.push(own)
  }
  return { same, out: { id: layer.id, soonest, longest, ways } }
}
