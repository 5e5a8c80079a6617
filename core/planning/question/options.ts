import { REWARM_MINUTES } from '../../catalogue/rules/backbone'
import { LINK_SHARE, SECOND_PASS_TIME, TASTE_SCALE } from '../../catalogue/rules/value'
import { CLEANSE_AGAIN } from '../../catalogue/techniques/roles'
import type { ConcernId, FamilyId } from '../../catalogue/kinds'
import { familiesInPairs, thenOf } from '../../catalogue/products/families'
import type { Method } from '../../catalogue/schools/schools'
import { doneAs, techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type Technique, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { LayoutId } from '../../catalogue/techniques/technique'
import { countsAsExfoliation, exfoliates } from '../../catalogue/techniques/traits'
import type { RegionId } from '../../face/zones'
import type { Allow, Allowance } from '../today/allowance'
import { bottles, withoutActive, type Bottle } from './bottles'
import { Costs } from './cost'
import { Effects } from './effects'
import type { PlanInput } from '../input'
import { marksOf, type Move, type Option } from './planCase'
import { Followers } from './followers'
import { lengthsOf, shareOf } from './lengths'
import { RegionSets } from './regionSets'
import { minutes, nearestTick, type Minutes } from '../../units'

/** How many passes may be planned; one choice without a number where none are made. */
function passesOf({ technique: { passes }, passesMost, work }: Allowance): (number | undefined)[] {
  if (!passes) return [undefined]
  if (work?.exact?.passes) return [work.exact.passes]
  const both = [...new Set([passes.usual, Math.min(passesMost, passes.limit)])]
  return both.filter((own) => own >= 1 && own <= passesMost)
}

/** What each connecting step costs at the house's pace, in the currency of value. */
export const linkCostOf = ({ turnCost }: Pick<Method, 'turnCost'>): number =>
  Math.round(turnCost * LINK_SHARE) * TASTE_SCALE

/** Marks an option that is made with the calming stand-in. */
const calmMark = (bottle: Pick<Move, 'calm'>) => (bottle.calm === 'only' ? ['calm'] : [])

export interface Traits extends Pick<Option, 'main' | 'costCents' | 'exfoliates' | 'marks'> {
  /** How much the school likes it. */ liking: number
  /** What it is worth to the intentions of the visit. */ worth: number
}

/**
 * Makes options: one technique with its setting, minutes, zones and product, valued in whole
 * numbers.
 */
export class OptionMaker {
  readonly effects: Effects
  readonly sets: RegionSets
  private readonly costs: Costs
  private readonly followers: Followers
  /** Kinds of work that each bottle belongs to by what it holds. */
  private readonly held: ReadonlyMap<string, readonly FamilyId[]>
  constructor(
    readonly input: PlanInput,
    readonly aims: readonly ConcernId[],
    readonly method: Method,
    /** What today allows of a technique as the visit's intentions have it. */
    readonly allow: Allow,
    /** What today allows of it by hand. */
    readonly allowByHand: Allow = allow,
  ) {
    this.costs = new Costs(input)
    this.followers = new Followers(this)
    this.held = new Map(
      input.shelf.map(({ product }) => [product.id, familiesInPairs(product)] as const),
    )
    this.sets = new RegionSets(input)
    this.effects = new Effects(input.profile, aims)
  }

  /**
   * Every listed duration × region group × passes of one technique; with what must stand straight
   * before it.
   */
  singles(allowance: Allowance): Option[] {
    if (allowance.never.length > 0) return []
    const { technique: row } = allowance
    if (row.then && this.allow(row.then).never.length > 0) return []
    const exact = allowance.work?.exact
    const choices = exact
      ? [exact.minutes]
      : lengthsOf(row, allowance, this.input.slotMinutes, this.method)
    const passes = passesOf(allowance)
    const own = [...bottles(allowance), ...withoutActive(allowance)]
    const out: Option[] = []
    for (const { group, regions } of this.sets.of(allowance)) {
      const before = this.before(row, regions)
      if (!before) continue
      const traits = own.map((bottle) =>
        this.traits([row.id], [...before, this.move(allowance, regions, minutes(0), bottle)]),
      )
      for (const usual of choices)
        for (const pass of passes) {
          const stretch =
            pass !== undefined && pass > 1 ? nearestTick(usual * SECOND_PASS_TIME) : usual
          if (stretch > allowance.minutesMost) continue
          const effects = this.effects.of(row, regions, shareOf(row, usual, this.method))
          own.forEach((bottle, i) => {
            const kind = traits[i]
            if (!kind) return
            const option = this.option(
              [
                row.id,
                group,
                stretch,
                ...(pass === undefined ? [] : [pass]),
                ...calmMark(bottle),
                ...(bottle.plain ? ['plain'] : []),
              ].join(':'),
              kind,
              [
                ...before,
                this.move(allowance, regions, stretch, bottle, pass),
                ...this.then({ ...doneAs(row), productId: bottle.productId }, regions),
              ],
              effects,
              0,
              allowance.favour,
            )
            out.push(...this.withFollowers(option, row, regions))
          })
        }
    }
    return out
  }

  /**
   * Extraction and the like with a short warming of their own in front, for when nothing warm went
   * before.
   */
  warmed(allowance: Allowance, by: TechniqueId): Option[] {
    const towel = this.allowByHand(by)
    if (towel.never.length > 0) return []
    return this.singles(allowance).flatMap((single) => {
      const regions = single.moves[0]?.regions ?? []
      return regions.some((region) => towel.barred.has(region))
        ? []
        : [
            {
              ...single,
              id: `${single.id}:warmed`,
              moves: [this.move(towel, regions, REWARM_MINUTES, {}), ...single.moves],
            },
          ]
    })
  }

  /** The same with one gel cleanse more straight after it, where that may be had. */
  cleansedAgain(option: Option): Option {
    const gel = this.allow(CLEANSE_AGAIN)
    const zones = option.moves[option.moves.length - 1]?.regions ?? []
    const regions = zones.filter((region) => !gel.barred.has(region))
    if (gel.never.length > 0 || regions.length === 0) return option
    const bottle = bottles(gel)[0] ?? {}
    const moves = [
      ...option.moves,
      this.move(gel, regions, TECHNIQUES[CLEANSE_AGAIN].minutes.least, bottle),
    ]
    return { ...option, id: `${option.id}:again`, moves, costCents: this.costs.of(moves) }
  }

  /** A step with and without what this house does straight after it; with it alone where that is named. */
  withFollowers(option: Option, { id }: Technique, regions: readonly RegionId[]): Option[] {
    return this.followers.ways(id, regions).map((ways): Option => {
      // Of two that take something off one is enough.
      const moves = ways.filter(({ technique }) => !option.exfoliates || !exfoliates(technique))
      if (moves.length === 0) return option
      const all = [...option.moves, ...moves]
      const liking = moves.reduce((sum, { technique }) => sum + this.liking(technique), 0)
      return {
        ...option,
        id: [option.id, ...moves.map(({ technique }) => technique)].join(':'),
        moves: all,
        taste: option.taste + liking * TASTE_SCALE,
        costCents: this.costs.of(all),
        exfoliates: option.exfoliates || moves.some(({ technique }) => exfoliates(technique)),
        marks:
          option.marks |
          marksOf(
            moves.flatMap((move) => [
              ...techniqueOf(move).families,
              ...(exfoliates(move.technique) ? (['exfoliated'] as const) : []),
            ]),
          ),
      }
    })
  }
  private liking(id: TechniqueId): number {
    return (this.method.taste[id] ?? 0) + this.allow(id).favour
  }

  /** What stands straight before a technique; undefined when that may not be done there. */
  before(technique: Technique, regions: readonly RegionId[]): Move[] | undefined {
    if (!technique.after) return []
    const allowance = this.allow(technique.after)
    if (allowance.never.length > 0 || regions.some((region) => allowance.barred.has(region)))
      return undefined
    return [
      this.move(
        allowance,
        regions,
        allowance.technique.minutes.choices[0] ?? allowance.technique.minutes.least,
        bottles(allowance)[0] ?? {},
      ),
    ]
  }

  /** What stands straight after a technique. */
  then(step: Pick<Move, 'technique' | 'own' | 'productId'>, regions: readonly RegionId[]): Move[] {
    const then = thenOf(step, this.input.shelf)
    if (!then) return []
    const allowed = this.allow(then)
    if (allowed.never.length > 0) return []
    const { minutes: own } = allowed.technique
    const bottle = bottles(allowed)[0] ?? {}
    const pin = this.input.pins?.find(({ technique }) => technique === then)
    const move = this.move(allowed, regions, pin?.minutes ?? own.choices[0] ?? own.least, bottle)
    return [pin ? { ...move, pinned: true } : move]
  }

  move(
    allowance: Allowance,
    regions: readonly RegionId[],
    minutes: Minutes,
    bottle: Bottle,
    passes?: number,
  ): Move {
    return {
      ...doneAs(allowance.technique),
      regions,
      minutes,
      ...(passes === undefined ? {} : { passes }),
      ...(allowance.setting ? { setting: allowance.setting.start } : {}),
      ...(bottle.productId === undefined ? {} : { productId: bottle.productId }),
      ...(bottle.freeAcid === undefined ? {} : { freeAcid: bottle.freeAcid }),
      ...(bottle.bottleRate === undefined ? {} : { bottleRate: bottle.bottleRate }),
      ...(bottle.calm === undefined ? {} : { calm: bottle.calm }),
    }
  }

  /**
   * What options of the same main work with the same bottles on the same zones have in common,
   * however long they take.
   */
  traits(main: readonly TechniqueId[], moves: readonly Move[], layout: LayoutId = 'one'): Traits {
    const { taste, turnCost, layout: layouts } = this.method
    const liking =
      main.reduce((sum, technique) => sum + (taste[technique] ?? 0) - turnCost, 0) +
      (main.some((technique) => TECHNIQUES[technique].stage === 'mask')
        ? (layouts[layout] ?? 0)
        : 0)
    const takesOff = moves.some((move) =>
      countsAsExfoliation(move.technique, (move.freeAcid ?? 0) + (move.bottleRate ?? 0)),
    )
    return {
      main,
      liking,
      worth: main.reduce((sum, technique) => sum + (this.allow(technique).work?.worth ?? 0), 0),
      costCents: this.costs.of(moves),
      exfoliates: takesOff,
      marks: marksOf([
        ...(takesOff ? (['exfoliated'] as const) : []),
        ...main.flatMap((technique) => this.allow(technique).technique.families),
        ...moves.flatMap((move) => this.held.get(move.productId ?? '') ?? []),
      ]),
    }
  }

  option(
    id: string,
    { main, liking, worth, costCents, exfoliates, marks }: Traits,
    moves: readonly Move[],
    effects: readonly number[],
    idleTicks: number,
    favour: number,
  ): Option {
    return {
      id,
      main,
      moves,
      effects,
      idleTicks,
      taste: (liking + favour) * TASTE_SCALE + worth,
      costCents,
      exfoliates,
      marks,
    }
  }
}
