import type { ConcernId } from '../../catalogue/kinds'
import type { Method } from '../../catalogue/schools/schools'
import { TECHNIQUES, type Technique, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { LayoutId } from '../../catalogue/techniques/technique'
import { exfoliates } from '../../catalogue/techniques/traits'
import { freeAcidOf } from '../../dosing/freeAcid'
import type { RegionId } from '../../face/zones'
import type { Allow, Allowance } from '../today/allowed'
import { Costs } from './cost'
import { Effects } from './effects'
import type { PlanInput } from '../input'
import { marksOf, type Move, type Option } from './planCase'
import { RegionSets } from './regionSets'
import { minutes, nearestTick, type Minutes } from '../../units'

/**
 * Brings a school's liking into the currency of value: two schools differ visibly, a first-ranked
 * concern still outweighs both.
 */
const TASTE_SCALE = 4

/** Marks an option that is made with the calming stand-in. */
const calmMark = (bottle: Pick<Move, 'calm'>) => (bottle.calm === 'only' ? ['calm'] : [])

/** A second pass takes half as long again: only the problem areas are gone over. */
const SECOND_PASS_TIME = 1.5

export type Bottle = Pick<Move, 'productId' | 'freeAcid' | 'calm'>
/**
 * The best suited product, and its calming stand-in for skin that has just been abraded, where the
 * best is not calming itself.
 */
export function bottles(a: Allowance): Bottle[] {
  const best = a.products[0]?.product
  if (!best) return [{}]
  const of = (p: typeof best, calm?: Bottle['calm']): Bottle => {
    const acid = freeAcidOf(p)
    return { productId: p.id, ...(acid > 0 ? { freeAcid: acid } : {}), ...(calm ? { calm } : {}) }
  }
  if (best.calming) return [of(best)]
  const stand = a.products.find((p) => p.product.calming)?.product
  return [of(best, 'no'), ...(stand ? [of(stand, 'only')] : [])]
}

export interface Traits extends Pick<Option, 'main' | 'costCents' | 'exfoliates' | 'marks'> {
  /** How much the school likes it. */ liking: number
}

/**
 * Makes options: one technique with its setting, minutes, zones and product, valued in whole
 * numbers.
 */
export class OptionMaker {
  readonly effects: Effects
  readonly sets: RegionSets
  private readonly costs: Costs
  constructor(
    readonly input: PlanInput,
    readonly aims: readonly ConcernId[],
    readonly method: Method,
    readonly allow: Allow,
  ) {
    this.costs = new Costs(input)
    this.sets = new RegionSets(input)
    this.effects = new Effects(input.profile, aims)
  }

  /**
   * Every listed duration × region group × passes of one technique; with what must stand straight
   * before it.
   */
  singles(a: Allowance): Option[] {
    if (a.never.length > 0) return []
    const { technique: t } = a
    const longest = t.minutes.choices[t.minutes.choices.length - 1] ?? t.minutes.most
    const allowed = t.minutes.choices.filter((m) => m <= a.minutesMost)
    const shortest = a.minutesMost >= t.minutes.least ? [minutes(a.minutesMost)] : []
    const choices = allowed.length > 0 ? allowed : shortest
    const passes = t.passes
      ? [...new Set([t.passes.usual, Math.min(a.passesMost, t.passes.limit)])].filter(
          (p) => p >= 1 && p <= a.passesMost,
        )
      : [undefined]
    const own = bottles(a)
    const out: Option[] = []
    for (const { group, regions } of this.sets.of(a)) {
      const before = this.before(t, regions)
      if (!before) continue
      const traits = own.map((b) =>
        this.traits([t.id], [...before, this.move(a, regions, minutes(0), b)]),
      )
      for (const usual of choices)
        for (const p of passes) {
          const stretch = p !== undefined && p > 1 ? nearestTick(usual * SECOND_PASS_TIME) : usual
          if (stretch > a.minutesMost) continue
          const effects = this.effects.of(t, regions, usual / longest)
          own.forEach((bottle, i) => {
            const kind = traits[i]
            if (kind)
              out.push(
                this.option(
                  [t.id, group, stretch, ...(p === undefined ? [] : [p]), ...calmMark(bottle)].join(
                    ':',
                  ),
                  kind,
                  [...before, this.move(a, regions, stretch, bottle, p)],
                  effects,
                  0,
                  a.favour,
                ),
              )
          })
        }
    }
    return out
  }

  /**
   * Extraction and the like with a short warming of their own in front, for when nothing warm went
   * before.
   */
  warmed(a: Allowance, by: TechniqueId): Option[] {
    const towel = this.allow(by)
    if (towel.never.length > 0) return []
    return this.singles(a).flatMap((o) => {
      const regions = o.moves[0]?.regions ?? []
      return regions.some((r) => towel.barred.has(r))
        ? []
        : [
            {
              ...o,
              id: `${o.id}:warmed`,
              moves: [this.move(towel, regions, minutes(1), {}), ...o.moves],
            },
          ]
    })
  }

  /** What stands straight before a technique; undefined when that may not be done there. */
  before(t: Technique, regions: readonly RegionId[]): Move[] | undefined {
    if (!t.after) return []
    const a = this.allow(t.after)
    if (a.never.length > 0 || regions.some((r) => a.barred.has(r))) return undefined
    return [
      this.move(
        a,
        regions,
        a.technique.minutes.choices[0] ?? a.technique.minutes.least,
        bottles(a)[0] ?? {},
      ),
    ]
  }

  move(
    a: Allowance,
    regions: readonly RegionId[],
    minutes: Minutes,
    bottle: Bottle,
    passes?: number,
  ): Move {
    return {
      technique: a.technique.id,
      regions,
      minutes,
      ...(passes === undefined ? {} : { passes }),
      ...(a.setting ? { setting: a.setting.start } : {}),
      ...bottle,
    }
  }

  /**
   * What options of the same main work with the same bottles on the same zones have in common,
   * however long they take.
   */
  traits(main: readonly TechniqueId[], moves: readonly Move[], layout: LayoutId = 'one'): Traits {
    const { taste, layout: layouts } = this.method
    const liking =
      main.reduce((s, t) => s + (taste[t] ?? 0), 0) +
      (main.some((t) => TECHNIQUES[t].stage === 'mask') ? (layouts[layout] ?? 0) : 0)
    return {
      main,
      liking,
      costCents: this.costs.of(moves),
      exfoliates: main.some(exfoliates),
      marks: marksOf(main.flatMap((t) => TECHNIQUES[t].families)),
    }
  }

  option(
    id: string,
    { main, liking, costCents, exfoliates, marks }: Traits,
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
      taste: (liking + favour) * TASTE_SCALE,
      costCents,
      exfoliates,
      marks,
    }
  }
}
