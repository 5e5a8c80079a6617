import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS } from '../face/zones'
import { loadOn, type Work } from '../load/loads'
import { applyTechnique, type Surface } from '../surface/surface'
import { connect, type Connection } from './mend'
import type { Move, Option } from './planCase'

/** A move as it stands in the solved plan; `mend` marks a connecting step. */
export interface PlacedMove extends Move { mend?: true, option: string }

/** What an option does from one surface: the connecting steps before each of its moves, where they lead, how long it all takes and what it loads. */
export interface Transition { chains: readonly (readonly Connector[])[], surface: number, ticks: number, loads: readonly number[], /** The same loads have the same number. */ loadsId: number }
type Connector = Connection['steps'][number]

/** What warmth still in the skin does to the load of what follows, per cent. */
export const HEATED = TECHNIQUES.steam.heatFactor ?? 100
/** Beyond this many surfaces the store is emptied; a client's whole day of plans needs a few thousand. */
const MOST_SURFACES = 20_000

/**
 * Surfaces are numbered as they are met, and what an option does to one is worked out once. That hangs on the trade alone, on no client,
 * so one store serves every plan made in this page, worker or server.
 */
export class Transitions {
  private readonly surfaces: Surface[] = []
  private readonly loadNumbers = new Map<string, number>()
  private readonly cooled: (number | undefined)[] = []
  private readonly numbers = new Map<string, number>()
  private readonly known = new Map<string, (Transition | null | undefined)[]>()

  get size(): number { return this.surfaces.length }

  /** The same skin with its warmth forgotten, for when nothing to come asks after it. */
  unwarmed(number: number): number {
    const found = this.cooled[number]
    if (found !== undefined) return found
    const own = this.surfaces[number]
    const out = own && REGION_IDS.some((r) => own[r].warmth === 'warm') ? this.intern(Object.fromEntries(REGION_IDS.map((r) => [r, { ...own[r], warmth: 'neutral', warmAge: 0 }])) as unknown as Surface) : number
    this.cooled[number] = out
    return out
  }

  intern(surface: Surface): number {
    // Cool or neutral: nothing asks which.
    const key = REGION_IDS.map((r) => { const s = surface[r]; return [s.soil, s.moisture, s.film, s.warmth === 'warm' ? 1 : 0, s.skin, s.layer, s.settling, s.dampAge, s.warmAge].join('.') }).join('/')
    const found = this.numbers.get(key)
    if (found !== undefined) return found
    this.surfaces.push(surface)
    this.numbers.set(key, this.surfaces.length - 1)
    return this.surfaces.length - 1
  }

  /** The transitions of one option, by surface. */
  of(option: Option): (surface: number) => Transition | undefined {
    const key = option.moves.map((m) => `${m.technique}:${m.regions.join('.')}:${m.minutes}:${m.dwell ?? ''}:${m.passes ?? ''}:${m.setting ?? ''}:${m.freeAcid ?? ''}:${m.calm ?? ''}`).join('/')
    let row = this.known.get(key)
    if (!row) { row = []; this.known.set(key, row) }
    const own = row
    return (surface) => {
      const found = own[surface]
      if (found !== undefined) return found ?? undefined
      const reached = this.work(this.surfaces[surface], option)
      own[surface] = reached ?? null
      return reached
    }
  }

  private numberOf(loads: readonly number[]): number {
    const key = loads.join()
    let found = this.loadNumbers.get(key)
    if (found === undefined) { found = this.loadNumbers.size; this.loadNumbers.set(key, found) }
    return found
  }

  private work(start: Surface | undefined, option: Option): Transition | undefined {
    if (!start) return undefined
    let surface = start
    const chains: (readonly Connector[])[] = []
    const loads = REGION_IDS.map(() => 0)
    let ticks = 0
    const add = (m: Pick<Move, 'technique' | 'regions' | 'minutes' | 'dwell' | 'passes' | 'freeAcid' | 'setting'>) => {
      const t = TECHNIQUES[m.technique]
      REGION_IDS.forEach((r, i) => {
        if (!m.regions.includes(r)) return
        loads[i] = (loads[i] ?? 0) + loadOn(r, t, workOf(m), surface[r].warmth === 'warm' ? HEATED : 100)
      })
      surface = applyTechnique(surface, t, m.regions, m.minutes * 2)
      ticks += m.minutes * 2
    }
    let resting = false
    for (const move of option.moves) {
      if (move.calm !== undefined && (move.calm === 'only') !== move.regions.some((r) => surface[r].skin !== 'intact')) return undefined
      const chain = connect(surface, TECHNIQUES[move.technique], move.regions)
      // A connecting step between what rests would stretch its time: such a block is laid another way or not at all.
      if (!chain || (resting && chain.steps.length > 0)) return undefined
      resting ||= move.dwell !== undefined
      for (const s of chain.steps) add(s)
      add(move)
      chains.push(chain.steps)
    }
    return { chains, surface: this.intern(surface), ticks, loads, loadsId: this.numberOf(loads) }
  }
}

/** The numbers a load hangs on, of one move. */
export const workOf = (m: Pick<Move, 'minutes' | 'dwell' | 'passes' | 'freeAcid' | 'setting'>): Work => ({ handsMinutes: m.minutes, dwellMinutes: m.dwell ?? 0, passes: m.passes ?? 0, ...(m.freeAcid === undefined ? {} : { freeAcid: m.freeAcid }), ...(m.setting === undefined ? {} : { setting: m.setting }) })

let store = new Transitions()
/** The store for one solve; it is never emptied while one runs. */
export function transitions(): Transitions {
  if (store.size > MOST_SURFACES) store = new Transitions()
  return store
}

/** The moves of an option with its connecting steps between them, as they stand in a plan. */
export const placed = (option: Option, t: Transition): PlacedMove[] => option.moves.flatMap((m, i) => [...(t.chains[i] ?? []).map((s): PlacedMove => ({ ...s, mend: true, option: option.id })), { ...m, option: option.id }])
