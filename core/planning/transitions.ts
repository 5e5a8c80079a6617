import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS } from '../face/zones'
import { loadOn } from '../load/loads'
import { applyTechnique, type Surface } from '../surface/surface'
import { connect } from './mend'
import type { Move, Option } from './compile'

/** A move as it stands in the solved plan; `mend` marks a connecting step. */
export interface PlacedMove extends Move { mend?: true, option: string }

/** What an option does from one surface: its moves with the connecting steps between, where they lead, how long they take and what they load. */
export interface Transition { moves: readonly PlacedMove[], surface: number, ticks: number, loads: readonly number[] }

/** Surfaces are numbered as they are met, and what an option does to one is worked out once. */
export class Transitions {
  private readonly surfaces: Surface[] = []
  private readonly numbers = new Map<string, number>()
  private readonly known = new Map<Option, (Transition | null | undefined)[]>()

  intern(surface: Surface): number {
    const key = REGION_IDS.map((r) => { const s = surface[r]; return [s.soil, s.moisture, s.film, s.warmth, s.skin, s.layer, s.settling, s.dampAge, s.warmAge].join('.') }).join('/')
    const found = this.numbers.get(key)
    if (found !== undefined) return found
    this.surfaces.push(surface)
    this.numbers.set(key, this.surfaces.length - 1)
    return this.surfaces.length - 1
  }

  after(surface: number, option: Option): Transition | undefined {
    let row = this.known.get(option)
    if (!row) { row = []; this.known.set(option, row) }
    const found = row[surface]
    if (found !== undefined) return found ?? undefined
    const reached = this.work(this.surfaces[surface], option)
    row[surface] = reached ?? null
    return reached
  }

  private work(start: Surface | undefined, option: Option): Transition | undefined {
    if (!start) return undefined
    let surface = start
    const placed: PlacedMove[] = []
    const loads = REGION_IDS.map(() => 0)
    let ticks = 0
    const add = (m: PlacedMove) => {
      const t = TECHNIQUES[m.technique]
      REGION_IDS.forEach((r, i) => {
        if (!m.regions.includes(r)) return
        loads[i] = (loads[i] ?? 0) + loadOn(r, t, { handsMinutes: m.minutes, dwellMinutes: m.dwell ?? 0, passes: m.passes ?? 0 }, surface[r].warmth === 'warm' ? HEATED : 100)
      })
      surface = applyTechnique(surface, t, m.regions, m.minutes * 2)
      ticks += m.minutes * 2
      placed.push(m)
    }
    for (const move of option.moves) {
      const chain = connect(surface, TECHNIQUES[move.technique], move.regions)
      if (!chain) return undefined
      for (const s of chain.steps) add({ ...s, mend: true, option: option.id })
      add({ ...move, option: option.id })
    }
    return { moves: placed, surface: this.intern(surface), ticks, loads }
  }
}

/** What warmth still in the skin does to the load of what follows, per cent. */
export const HEATED = TECHNIQUES.steam.heatFactor ?? 100
