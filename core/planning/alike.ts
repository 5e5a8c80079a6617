import type { Option } from './planCase'
import type { Transition } from './transitions'

/** One way through a stage: an option from one state of the skin to the next, or none. `from` and `to` count within their layers. */
export interface Way { from: number, to: number, ticks: number, option: Option | undefined, move: Transition | undefined }

export interface RawLayer { id: string, soonest: readonly number[], ways: readonly Way[], /** Number of each option within its stage, as the ways name it. */ order: readonly number[] }

/**
 * States from which just the same may follow become one: the same options, in as many ticks, with the same loads, to states that are one already.
 * From the end backwards; no plan gains or loses by it.
 * @returns the layers with their states renumbered, and how many ends are left
 */
export function alike(raw: readonly RawLayer[], ends: number): { layers: { id: string, soonest: number[], ways: Way[] }[], ends: number } {
  let same: readonly number[] = Array.from({ length: ends }, () => 0)
  const layers: { id: string, soonest: number[], ways: Way[] }[] = []
  for (let s = raw.length - 1; s >= 0; s--) {
    const layer = raw[s]
    if (!layer) continue
    const signs: number[][] = layer.soonest.map(() => [])
    const own: Way[][] = layer.soonest.map(() => [])
    layer.ways.forEach((w, i) => {
      const to = same[w.to] ?? 0
      signs[w.from]?.push(layer.order[i] ?? 0, to, w.ticks, w.move?.loadsId ?? -1)
      own[w.from]?.push(to === w.to ? w : { ...w, to })
    })
    const known = new Map<string, number>()
    const soonest: number[] = []
    const ways: Way[] = []
    same = signs.map((sign, state) => {
      const key = sign.join()
      const found = known.get(key)
      const early = layer.soonest[state] ?? 0
      if (found !== undefined) { soonest[found] = Math.min(soonest[found] ?? early, early); return found }
      const index = known.size
      known.set(key, index)
      soonest.push(early)
      for (const w of own[state] ?? []) ways.push(w.from === index ? w : { ...w, from: index })
      return index
    })
    layers.unshift({ id: layer.id, soonest, ways })
  }
  return { layers, ends: Math.min(1, ends) }
}
