import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Surface } from '../../surface/surface'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { Connection } from '../steps/mend'
import type { Move, Option } from '../question/planCase'
import { asksWarmth, moveKey, ready, WASH, type Ready } from './readyMoves'
import { RegionStates, type Link, type Skin } from './regionStates'

/** A move as it stands in the solved plan; `mend` marks a connecting step. */
export interface PlacedMove extends Move {
  mend?: true
  option: string
}

/**
 * What an option does from one surface: the connecting steps before each of its moves, where they
 * lead, how long it all takes and what it loads.
 */
export interface Transition {
  chains: readonly (readonly Connector[])[]
  surface: number
  ticks: number
  /** How many connecting steps stand in it. */
  links: number
  loads: readonly number[]
  /** The same loads have the same number. */ loadsId: number
}
type Connector = Connection['steps'][number]

const NOWHERE: readonly RegionId[] = []
const UNLINKED: readonly Connector[] = []

/**
 * One option's moves, what it can load at most, and what it does from each surface it was asked
 * from.
 */
export interface Row {
  no: number
  moves: readonly Ready[]
  /** No connecting step before any move. */ unlinked: readonly (readonly Connector[])[]
  /** What it loads where nothing connects, if warmth changes nothing. */ loads: readonly number[]
  loadsId: number
  /** Whether warmth in the skin makes it load more. */ heated: boolean
  most: readonly number[]
  known: Map<number, Transition | null>
}
/**
 * What each row of a stage does from one surface, in columns: thousands are looked through for each
 * plan. Ticks are −1 where a row cannot stand there.
 */
export interface Reached {
  moves: readonly (Transition | null)[]
  ticks: readonly number[]
  surfaces: readonly number[]
  loadsIds: readonly number[]
  links: readonly number[]
}
/** The rows of one stage, and what they do from each surface. */
export interface RowSet {
  rows: readonly Row[]
  /** The most that any of them loads, by region. */ most: readonly number[]
  /** Whether any of them asks after warmth in the skin. */ asksWarmth: boolean
  known: Map<number, Reached>
}

/**
 * Surfaces are numbered as they are met, and what an option does to one is worked out once. That
 * hangs on the trade and on which connecting steps can be had, on no client,
 * so one store serves every plan made in this page, worker or server.
 */
export class Transitions {
  private readonly regions: RegionStates
  private readonly skins: Skin[] = []
  private readonly numbers = new Map<string, number>()
  private readonly cooled: (number | undefined)[] = []
  private readonly loadNumbers = new Map<string, number>()
  private readonly rows = new Map<string, Row>()
  private readonly links = new Map<string, Ready>()
  private readonly sets = new Map<string, RowSet>()

  /** @param without connecting steps that cannot be had today */
  constructor(without: readonly TechniqueId[] = []) {
    this.regions = new RegionStates(without)
  }

  get size(): number {
    return this.skins.length
  }

  intern(surface: Surface): number {
    return this.number(this.regions.skinOf(surface))
  }

  private number(skin: Skin): number {
    const key = String.fromCharCode(...skin)
    let found = this.numbers.get(key)
    if (found === undefined) {
      found = this.skins.length
      this.skins.push(skin)
      this.numbers.set(key, found)
    }
    return found
  }

  /** The same skin with its warmth forgotten, for when nothing to come asks after it. */
  unwarmed(number: number): number {
    return (this.cooled[number] ??= this.number(
      (this.skins[number] ?? []).map((skin) => this.regions.unwarmed(skin)),
    ))
  }

  private row(option: Option): Row {
    let key = ''
    for (const move of option.moves) key += `${moveKey(move)}/`
    let row = this.rows.get(key)
    if (!row) {
      const moves = option.moves.map(ready)
      const loads = REGION_IDS.map((_, i) =>
        moves.reduce((sum, move) => sum + (move.cool[i] ?? 0), 0),
      )
      row = {
        no: this.rows.size,
        moves,
        unlinked: moves.map(() => UNLINKED),
        loads,
        loadsId: this.numberOfLoads(loads),
        heated: moves.some((move) => move.heated),
        most: REGION_IDS.map((_, i) =>
          moves.reduce((sum, move) => sum + (WASH[i] ?? 0) + (move.warm[i] ?? 0), 0),
        ),
        known: new Map(),
      }
      this.rows.set(key, row)
    }
    return row
  }

  /** The options of one stage together; `from` asks them. */
  rowSet(options: readonly Option[]): RowSet {
    const rows = options.map((option) => this.row(option))
    const key = rows.map((row) => row.no).join()
    let set = this.sets.get(key)
    if (!set) {
      set = {
        rows,
        most: REGION_IDS.map((_, i) =>
          rows.reduce((sum, row) => Math.max(sum, row.most[i] ?? 0), 0),
        ),
        asksWarmth: options.some(asksWarmth),
        known: new Map(),
      }
      this.sets.set(key, set)
    }
    return set
  }

  /** What one option does from one surface; null where it cannot stand there. */
  step(option: Option, surface: number): Transition | null {
    return this.one(this.row(option), surface)
  }

  /** What each option of a stage does from one surface, in their order. */
  from(set: RowSet, surface: number): Reached {
    let found = set.known.get(surface)
    if (!found) {
      const moves = set.rows.map((row) => this.one(row, surface))
      found = {
        moves,
        ticks: moves.map((move) => (move ? move.ticks : -1)),
        surfaces: moves.map((move) => (move ? move.surface : 0)),
        loadsIds: moves.map((move) => (move ? move.loadsId : 0)),
        links: moves.map((move) => (move ? move.links : 0)),
      }
      set.known.set(surface, found)
    }
    return found
  }
  private one(row: Row, surface: number): Transition | null {
    let found = row.known.get(surface)
    if (found === undefined) {
      found = this.work(surface, row)
      row.known.set(surface, found)
    }
    return found
  }

  private numberOfLoads(loads: readonly number[]): number {
    const key = String.fromCharCode(...loads)
    let found = this.loadNumbers.get(key)
    if (found === undefined) {
      found = this.loadNumbers.size
      this.loadNumbers.set(key, found)
    }
    return found
  }

  private link(link: Link, names: readonly RegionId[]): Ready {
    const move = {
      technique: link.technique,
      regions: link.there ? names : NOWHERE,
      minutes: link.minutes,
    }
    const key = moveKey(move)
    let found = this.links.get(key)
    if (!found) {
      found = ready(move)
      this.links.set(key, found)
    }
    return found
  }

  private work(surface: number, row: Row): Transition | null {
    const { regions: states } = this
    const skin = [...(this.skins[surface] ?? [])]
    let chains: (readonly Connector[])[] | undefined
    // Mostly a row loads what it always loads; it is added up only where warmth or a connecting
    // wash may change that.
    let loads: number[] | undefined = row.heated ? REGION_IDS.map(() => 0) : undefined
    const done: Ready[] = []
    let ticks = 0
    let links = 0
    const add = (ready: Ready) => {
      if (loads)
        for (const i of ready.regions)
          loads[i] =
            (loads[i] as number) +
            ((states.isWarm(skin[i] as number) ? ready.warm : ready.cool)[i] as number)
      states.work(skin, ready.technique, ready.regions, ready.ticks)
      ticks += ready.ticks
      done.push(ready)
    }
    let resting = false
    for (let ownAt = 0; ownAt < row.moves.length; ownAt++) {
      const ready = row.moves[ownAt] as Ready
      if (
        ready.calm !== undefined &&
        (ready.calm === 'only') !== ready.regions.some((i) => !states.isIntact(skin[i] as number))
      )
        return null
      const chain = states.chain(skin, ready.technique, ready.regions)
      // A connecting step between what rests would stretch its time: such a block is laid another
      // way or not at all.
      if (!chain || (resting && chain.length > 0)) return null
      resting ||= ready.dwells
      links += chain.length
      for (const ownLink of chain) {
        const link = this.link(ownLink, ready.names)
        if (link.bears && !loads) {
          loads = REGION_IDS.map(() => 0)
          for (const ownReady of done)
            for (const i of ownReady.regions)
              loads[i] = (loads[i] as number) + (ownReady.cool[i] as number)
        }
        add(link)
      }
      if (chain.length > 0) {
        chains ??= row.moves.map(() => UNLINKED)
        chains[ownAt] = chain.map((link) => ({
          technique: link.technique,
          minutes: link.minutes,
          regions: link.there ? ready.names : NOWHERE,
        }))
      }
      add(ready)
    }
    return {
      chains: chains ?? row.unlinked,
      surface: this.number(skin),
      ticks,
      links,
      loads: loads ?? row.loads,
      loadsId: loads ? this.numberOfLoads(loads) : row.loadsId,
    }
  }
}

/** The moves of an option with its connecting steps between them, as they stand in a plan. */
export const placed = (option: Option, transition: Transition): PlacedMove[] =>
  option.moves.flatMap((move, i) => [
    ...(transition.chains[i] ?? []).map((chain): PlacedMove => ({
      ...chain,
      mend: true,
      option: option.id,
    })),
    { ...move, option: option.id },
  ])
