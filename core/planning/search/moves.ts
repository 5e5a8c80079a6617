import { CLEANSE_AGAIN, MADE_READY } from '../../catalogue/techniques/roles'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import {
  type OwnWay,
  TECHNIQUE_IDS,
  type TechniqueId,
  TECHNIQUES,
} from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { feelsHeat, HEATED, loadOn, type Work } from '../../load/loads'
import { oncePer } from '../../once'
import type { Move, Option } from '../question/planCase'
import { connect, type Connection, LONGEST_CHAIN } from '../steps/mend'
import {
  ageRegion,
  leaveOn,
  type RegionSurface,
  type Surface,
  unmetNeeds,
} from '../../surface/surface'
import { ALL_PERCENT, type Minutes, toTicks } from '../../units'

/** The state of each region by its number, in the order of the regions. */
type Skin = readonly number[]
/**
 * A connecting step of a chain: what it is, and whether it is done where the next one is (a wait is
 * done nowhere).
 */
interface Link {
  technique: TechniqueId
  no: number
  minutes: Minutes
  ticks: number
  there: boolean
}

type Standing = 'fits' | 'mends' | 'never'
const ALL = REGION_IDS.map((_, i) => i)
const NO_LINKS: readonly Link[] = []

const NO = new Map(TECHNIQUE_IDS.map((technique, i) => [technique, i]))
const numberOf = (technique: TechniqueId): number => NO.get(technique) ?? 0

/**
 * The states that one region's skin can be in, numbered as they are met, and what time and
 * techniques make of each: the surface model's own
 * steps, each worked out once. A face has twelve regions but few states, and no region's skin
 * hangs on another's.
 */
class RegionStates {
  private readonly states: RegionSurface[] = []
  private readonly numbers = new Map<string, number>()
  /** By ticks, then state. */
  private readonly aged: number[][] = []
  /** By technique, then state. */
  private readonly left: number[][] = []
  private readonly cooled: number[] = []
  /** By technique, then state. */
  private readonly stands: Standing[][] = []
  private readonly chains = new Map<string, readonly Link[] | null>()
  /** @param without connecting steps that cannot be had today */
  constructor(private readonly without: readonly TechniqueId[] = []) {}

  /**
   * Only what planning asks after tells two states apart: not how heavy a layer lies, nor how red,
   * nor whether it is cool or neutral.
   */
  number(surface: RegionSurface): number {
    const { soil, moisture, film, skin, settling, dampAge, warmAge } = surface
    const warm = surface.warmth === 'warm' ? 1 : 0
    const key = `${soil}.${moisture}.${film}.${warm}.${skin}.${settling}.${dampAge}.${warmAge}`
    let found = this.numbers.get(key)
    if (found === undefined) {
      found = this.states.length
      this.states.push(surface)
      this.numbers.set(key, found)
    }
    return found
  }
  state(number: number): RegionSurface {
    const states = this.states[number]
    if (!states) throw new Error(`no state of the skin has the number ${number}`)
    return states
  }
  skinOf(surface: Surface): number[] {
    return REGION_IDS.map((region) => this.number(surface[region]))
  }
  surfaceOf(skin: Skin): Surface {
    return Object.fromEntries(
      REGION_IDS.map((region, i) => [region, this.state(skin[i] ?? 0)]),
    ) as Record<RegionId, RegionSurface>
  }

  isWarm(number: number): boolean {
    return this.state(number).warmth === 'warm'
  }
  isIntact(number: number): boolean {
    return this.state(number).skin === 'intact'
  }
  /** The same with its warmth forgotten. */
  unwarmed(number: number): number {
    return (this.cooled[number] ??= this.isWarm(number)
      ? this.number({ ...this.state(number), warmth: 'neutral', warmAge: 0 })
      : number)
  }

  /** Does a technique on some regions, in place: its ticks pass everywhere. */
  work(skin: number[], technique: number, regions: readonly number[], ticks: number): void {
    if (ticks > 0) {
      const aged = (this.aged[ticks] ??= [])
      for (let i = 0; i < skin.length; i++) {
        const code = skin[i] as number
        skin[i] = aged[code] ??= this.number(ageRegion(this.state(code), ticks))
      }
    }
    const left = (this.left[technique] ??= [])
    const id = TECHNIQUE_IDS[technique]
    if (id === undefined) return
    for (const i of regions) {
      const code = skin[i] as number
      skin[i] = left[code] ??= this.number(leaveOn(this.state(code), TECHNIQUES[id]))
    }
  }

  /** Whether a technique can stand on a state as it is, after something to connect, or never. */
  private standing(technique: number, state: number): Standing {
    const own = (this.stands[technique] ??= [])
    let found = own[state]
    if (found === undefined) {
      const id = TECHNIQUE_IDS[technique]
      const unmet = id
        ? unmetNeeds(this.surfaceOf(REGION_IDS.map(() => state)), TECHNIQUES[id], ['forehead'])
        : []
      found =
        unmet.length === 0
          ? 'fits'
          : unmet.some((unmet) => unmet.part === 'skin' || unmet.part === 'warmth')
            ? 'never'
            : 'mends'
      own[state] = found
    }
    return found
  }

  /**
   * The connecting steps before a technique; null where none help. They hang on which states the
   * regions are in, not on which regions: one of each is looked at.
   */
  chain(skin: Skin, technique: number, regions: readonly number[]): readonly Link[] | null {
    const met: number[] = []
    const where: RegionId[] = []
    let fits = true
    for (const i of regions.length > 0 ? regions : ALL) {
      const code = skin[i] as number
      if (met.includes(code)) continue
      met.push(code)
      where.push(REGION_IDS[i] ?? 'forehead')
      const stands = this.standing(technique, code)
      if (stands === 'never') return null
      fits &&= stands === 'fits'
    }
    if (fits) return NO_LINKS
    const key = `${technique}${regions.length > 0 ? ':' : '*'}${met.sort((one, other) => one - other).join()}`
    let found = this.chains.get(key)
    if (found === undefined) {
      const id = TECHNIQUE_IDS[technique]
      const link: Connection | undefined =
        id &&
        connect(this.surfaceOf(skin), TECHNIQUES[id], regions.length > 0 ? where : [], this.without)
      found = link
        ? link.steps.map((step) => ({
            technique: step.technique,
            no: numberOf(step.technique),
            minutes: step.minutes,
            ticks: toTicks(step.minutes),
            there: !techniqueOf(step).connects?.handsOff,
          }))
        : null
      this.chains.set(key, found)
    }
    return found
  }
}

const REGION_NO = new Map(REGION_IDS.map((region, i) => [region, i]))

/** A move ready to be done on any skin: what it loads on each of its regions, cool and warm. */
interface Ready {
  technique: number
  names: readonly RegionId[]
  regions: readonly number[]
  ticks: number
  cool: readonly number[]
  warm: readonly number[]
  dwells: boolean
  /** Stands straight before another: nothing connects between the two. */
  leads: boolean
  calm: Move['calm']
  heated: boolean
  bears: boolean
}
/** A chain of connecting washes at its longest. */
const WASH_MINUTES = LONGEST_CHAIN * (TECHNIQUES[CLEANSE_AGAIN].connects?.minutes ?? 0)
/** A connecting wash warms nothing, but it may load: counted at its longest before each move. */
const WASH = REGION_IDS.map((region) =>
  loadOn(
    region,
    TECHNIQUES[CLEANSE_AGAIN],
    { handsMinutes: WASH_MINUTES, dwellMinutes: 0, passes: 0 },
    HEATED,
  ),
)

const asksWarmth = (option: Option): boolean =>
  option.moves.some(
    (move) => techniqueOf(move).needs.warmth !== undefined || feelsHeat(techniqueOf(move)),
  )

/** A way of a house's own with all its bounds: its id stays while they change. */
const wordsOfWay = oncePer((own: OwnWay) => JSON.stringify(own))

const SETS = new WeakMap<readonly RegionId[], string>()
function regionsKey(regions: readonly RegionId[]): string {
  let key = SETS.get(regions)
  if (key === undefined) {
    key = regions.map((region) => REGION_NO.get(region)).join('.')
    SETS.set(regions, key)
  }
  return key
}
/**
 * What a move does to skin, clock and load: its bottle's name and what it is good for are not in
 * it.
 */
const moveKey = (move: Move): string =>
  [
    move.technique,
    move.own ? wordsOfWay(move.own) : '',
    regionsKey(move.regions),
    move.minutes,
    move.dwell ?? '',
    move.passes ?? '',
    move.setting ?? '',
    move.freeAcid ?? '',
    move.bottleRate ?? '',
    move.calm ?? '',
  ].join(':')

/** A move made ready: what it loads is reckoned once, cool and warm. */
function ready(move: Move): Ready {
  const row = techniqueOf(move)
  const on = (heat: number) =>
    REGION_IDS.map((region) =>
      move.regions.includes(region) ? loadOn(region, row, workOf(move), heat) : 0,
    )
  return {
    technique: numberOf(move.technique),
    names: move.regions,
    regions: move.regions.map((region) => REGION_NO.get(region) ?? 0),
    ticks: toTicks(move.minutes),
    cool: on(ALL_PERCENT),
    warm: on(HEATED),
    dwells: move.dwell !== undefined,
    leads: MADE_READY.includes(move.technique),
    calm: move.calm,
    heated: feelsHeat(row) && row.load !== undefined,
    bears: (row.load !== undefined || (move.bottleRate ?? 0) > 0) && move.regions.length > 0,
  }
}

/** The zones of all that is laid side by side; nothing where one thing rests alone. */
function togetherOf(moves: readonly Ready[]): Pick<Row, 'together'> {
  const laid = moves.filter(({ dwells }) => dwells)
  if (laid.length < 2) return {}
  const names = REGION_IDS.filter((id) => laid.some((move) => move.names.includes(id)))
  return { together: { names, regions: names.map((id) => REGION_NO.get(id) ?? 0) } }
}

/** The numbers a load hangs on, of one move. */
export const workOf = (
  pick: Pick<Move, 'minutes' | 'dwell' | 'passes' | 'freeAcid' | 'bottleRate' | 'setting'>,
): Work => ({
  handsMinutes: pick.minutes,
  dwellMinutes: pick.dwell ?? 0,
  passes: pick.passes ?? 0,
  ...(pick.freeAcid === undefined ? {} : { freeAcid: pick.freeAcid }),
  ...(pick.bottleRate === undefined ? {} : { bottleRate: pick.bottleRate }),
  ...(pick.setting === undefined ? {} : { setting: pick.setting }),
})

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
interface Row {
  no: number
  moves: readonly Ready[]
  /** No connecting step before any move. */ unlinked: readonly (readonly Connector[])[]
  /** What it loads where nothing connects, if warmth changes nothing. */ loads: readonly number[]
  loadsId: number
  /** Whether warmth in the skin makes it load more. */ heated: boolean
  most: readonly number[]
  /** All zones of what is laid side by side: made ready together, before the first of it goes on. */
  together?: Pick<Ready, 'names' | 'regions'>
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
        ...togetherOf(moves),
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
    const move = connectorOf(link, names)
    const key = moveKey(move)
    let found = this.links.get(key)
    if (!found) {
      found = ready(move)
      this.links.set(key, found)
    }
    return found
  }

  /** The connecting steps before a move; none can be where it is not for skin like this. */
  private chainFor(
    { calm, regions: own, technique }: Ready,
    skin: number[],
    regions: readonly number[],
  ) {
    if (calm !== undefined) {
      const open = own.some((i) => !this.regions.isIntact(skin[i] as number))
      if ((calm === 'only') !== open) return undefined
    }
    return this.regions.chain(skin, technique, regions)
  }

  /**
   * What connects before a move, and on which zones: what is laid side by side is made ready together.
   * A connecting step between what rests would stretch its time: such a block is laid another way or
   * not at all.
   */
  private connecting(row: Row, ready: Ready, skin: number[], resting: boolean) {
    const laid = !resting && (ready.dwells || ready.leads) ? row.together : undefined
    const both = laid && this.chainFor(ready, skin, laid.regions)
    if (laid && both) return { chain: both, names: laid.names }
    const chain = this.chainFor(ready, skin, ready.regions)
    return !chain || (resting && chain.length > 0) ? null : { chain, names: ready.names }
  }

  /** What a move pours in, by how warm each of its zones is. */
  private pour(loads: number[], { regions, warm, cool }: Ready, skin: readonly number[]): void {
    for (const i of regions) {
      const poured = this.regions.isWarm(skin[i] as number) ? warm : cool
      loads[i] = (loads[i] as number) + (poured[i] as number)
    }
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
      if (loads) this.pour(loads, ready, skin)
      states.work(skin, ready.technique, ready.regions, ready.ticks)
      ticks += ready.ticks
      done.push(ready)
    }
    let resting = false
    let led = false
    for (let at = 0; at < row.moves.length; at++) {
      const ready = row.moves[at] as Ready
      const connects = this.connecting(row, ready, skin, resting)
      if (!connects) return null
      const { chain, names } = connects
      if (led && chain.length > 0) return null
      led = ready.leads
      resting ||= ready.dwells
      links += chain.length
      for (const wanted of chain) {
        const link = this.link(wanted, names)
        if (link.bears && !loads) {
          loads = REGION_IDS.map(() => 0)
          addCool(loads, done)
        }
        add(link)
      }
      if (chain.length > 0) {
        chains ??= row.moves.map(() => UNLINKED)
        chains[at] = chain.map((link) => connectorOf(link, names))
      }
      add(ready)
    }
    return {
      chains: chains ?? row.unlinked,
      surface: this.number(skin),
      ticks,
      links,
      ...(loads
        ? { loads, loadsId: this.numberOfLoads(loads) }
        : { loads: row.loads, loadsId: row.loadsId }),
    }
  }
}

/** A connecting step as it stands in a plan, on the zones of the step that it is for. */
const connectorOf = ({ technique, minutes, there }: Link, names: readonly RegionId[]) => ({
  technique,
  minutes,
  regions: there ? names : NOWHERE,
})

/** What was done so far, as it loads skin that is not warm. */
function addCool(loads: number[], done: readonly Ready[]): void {
  for (const { regions, cool } of done)
    for (const i of regions) loads[i] = (loads[i] as number) + (cool[i] as number)
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

/**
 * Beyond this many surfaces the store is emptied; a client's whole day of plans needs a few
 * thousand.
 */
const MOST_SURFACES = 20_000

/** One store for each set of connecting steps that cannot be had; mostly none is missing. */
const stores = new Map<string, Transitions>()
/** The store for one solve; it is never emptied while one runs. */
export function transitions(without: readonly TechniqueId[]): Transitions {
  const key = without.join()
  let store = stores.get(key)
  if (!store || store.size > MOST_SURFACES) {
    store = new Transitions(without)
    stores.set(key, store)
  }
  return store
}
