import { BODY_SHARE, CONCERN_NEED, RANK_WEIGHTS, REGION_SHARE } from '../catalogue/adaptations'
import { EXFOLIATING, STAGE_IDS, type ConcernId, type StageId } from '../catalogue/kinds'
import { SCHOOLS } from '../catalogue/schools'
import { TECHNIQUES } from '../catalogue/techniques'
import type { Technique, TechniqueId } from '../catalogue/technique'
import { GROUPS, type GroupId } from '../face/regions'
import { REGION_IDS, type RegionId } from '../face/zones'
import { rimOf } from '../load/rim'
import { plannedGrade, type Profile } from '../skin/profile'
import { dwellWindow } from '../timing/schedule'
import { stagger, type MaskTask } from '../timing/stagger'
import { toTicks, minutes as min } from '../units'
import { allBars, allowance, type Allowance } from './allowed'
import { planCostCents } from './cost'
import type { PlanInput } from './input'

/** One hand step of an option. `dwell` is how long it rests before it is lifted, in minutes. */
export interface Move { technique: TechniqueId, regions: readonly RegionId[], minutes: number, passes?: number, setting?: number, productId?: string, dwell?: number, /** `no`: not a calming product, so not on skin just abraded; `only`: its calming stand-in, for just that skin. */ calm?: 'no' | 'only' }

export interface Option {
  id: string
  main: readonly TechniqueId[]
  moves: readonly Move[]
  /** Effect on each aim, in the order of the aims; whole numbers. */
  effects: readonly number[]
  taste: number
  costCents: number
  idleTicks: number
  exfoliates: boolean
}
export interface Stage { id: StageId, must: boolean, options: readonly Option[] }

/** The question as whole numbers: nothing in it needs a clock, a database or a fraction. */
export interface PlanCase {
  stages: readonly Stage[]
  aims: readonly ConcernId[]
  weights: readonly number[]
  rim: Readonly<Record<RegionId, number>>
  residual: Readonly<Record<RegionId, number>>
  maxExfoliations: number
  madeUp: boolean
}

/** A skin that may bear two exfoliations in one visit: read everywhere, and hardly sensitive or red anywhere. */
export function isResilient(profile: Profile): boolean {
  return profile.unread.length === 0 && REGION_IDS.every((r) => plannedGrade(profile, r, 'sensitivity') <= 1 && plannedGrade(profile, r, 'redness') === 0) && (profile.age ?? 40) < 60
}

export const isSensitive = (profile: Profile) => (r: RegionId) => plannedGrade(profile, r, 'sensitivity') >= 2 || plannedGrade(profile, r, 'redness') >= 2

export function compile(input: PlanInput): PlanCase {
  const bars = allBars(input)
  const allow = (id: TechniqueId) => allowance(id, input, bars)
  const aims = input.aims.slice(0, RANK_WEIGHTS.length)
  const build = new OptionBuilder(input, aims)
  const stage = (id: StageId, must: boolean, options: readonly Option[]): Stage => ({ id, must, options })
  const singles = (...ids: TechniqueId[]) => ids.flatMap((id) => build.single(allow(id)))
  const stages: Record<StageId, Stage> = {
    settle: stage('settle', true, singles('settle')),
    eyesOff: stage('eyesOff', input.madeUp, input.madeUp ? singles('eyesOff') : []),
    surfaceCleanse: stage('surfaceCleanse', true, singles('milk')),
    reading: stage('reading', true, singles('secondReading')),
    deepCleanse: stage('deepCleanse', true, singles('secondCleanse', 'oilCleanse')),
    tone: stage('tone', false, singles('tone')),
    warm: stage('warm', false, singles('steam')),
    handExfoliation: stage('handExfoliation', false, [...singles('grain'), ...build.masks([allow('enzyme')], 'enzyme')]),
    machine: stage('machine', false, singles('tip')),
    calm: stage('calm', false, singles('highFrequency', 'cold')),
    massage: stage('massage', false, singles('massage')),
    mask: stage('mask', false, [...build.masks([allow('clay')], 'clay'), ...build.masks([allow('hydratingMask')], 'hydrate'), ...build.masks([allow('clay'), allow('hydratingMask')], 'byZone')]),
    afterMask: stage('afterMask', false, singles('tone')),
    serum: stage('serum', false, singles('serum')),
    eyes: stage('eyes', false, singles('eyeProduct')),
    moisturise: stage('moisturise', true, singles('moisturiser')),
    oil: stage('oil', false, input.daylight ? [] : singles('facialOil')),
    sun: stage('sun', input.daylight, input.daylight ? singles('sunProtection') : []),
    close: stage('close', true, singles('close')),
  }
  return {
    stages: STAGE_IDS.map((id) => stages[id]), aims, weights: aims.map((_, i) => RANK_WEIGHTS[i] ?? 0),
    rim: Object.fromEntries(REGION_IDS.map((r) => [r, rimOf(input.profile, r, input.verdict.limit.rimPercent).hundredths])) as Record<RegionId, number>,
    residual: input.residual, maxExfoliations: isResilient(input.profile) ? 2 : 1, madeUp: input.madeUp,
  }
}

/** Brings a school's liking into the currency of value: two schools differ visibly, a first-ranked concern still outweighs both. */
const TASTE_SCALE = 4

type Bottle = Pick<Move, 'productId' | 'calm'>
/** The best suited product, and its calming stand-in for skin that has just been abraded, where the best is not calming itself. */
function bottles(a: Allowance): Bottle[] {
  const best = a.products[0]?.product
  if (!best) return [{}]
  if (best.calming) return [{ productId: best.id }]
  const stand = a.products.find((p) => p.product.calming)?.product
  return [{ productId: best.id, calm: 'no' }, ...(stand ? [{ productId: stand.id, calm: 'only' as const }] : [])]
}

class OptionBuilder {
  constructor(private readonly input: PlanInput, private readonly aims: readonly ConcernId[]) {}

  /** Every listed duration × region group (less the barred regions) × passes of one technique. */
  single(a: Allowance): Option[] {
    if (a.never.length > 0) return []
    const { technique: t } = a
    const longest = t.minutes.choices[t.minutes.choices.length - 1] ?? t.minutes.most
    const allowed = t.minutes.choices.filter((m) => m <= a.minutesMost)
    const choices: readonly number[] = allowed.length > 0 ? allowed : a.minutesMost >= t.minutes.least ? [a.minutesMost] : []
    const out: Option[] = []
    for (const { group, regions } of this.regionSets(t, a.barred)) for (const minutes of choices) {
      const passes = t.passes ? [...new Set([t.passes.usual, Math.min(a.passesMost, t.passes.limit)])].filter((p) => p >= 1 && p <= a.passesMost) : [undefined]
      for (const p of passes) {
        const stretch = p !== undefined && p > 1 ? Math.round(minutes * 1.5 * 2) / 2 : minutes
        if (stretch > a.minutesMost) continue
        for (const bottle of bottles(a)) out.push(this.option(`${t.id}:${group}:${stretch}${p === undefined ? '' : `:${p}`}${bottle.calm === 'only' ? ':calm' : ''}`, [t.id], [this.move(a, regions, stretch, bottle, p)], this.effects(t, regions, minutes / longest), 0))
      }
    }
    return out
  }

  /** Masks that rest side by side on disjoint regions, with the exact stagger and one filler in the hands-free interval. */
  masks(list: readonly Allowance[], name: string): Option[] {
    if (list.some((a) => a.never.length > 0)) return []
    const layouts = this.layouts(list)
    const out: Option[] = []
    for (const { id, sets } of layouts) {
      const tasks: MaskTask[] = []
      list.forEach((a, i) => {
        const regions = sets[i] ?? []
        const on = a.technique.minutes.choices[0] ?? a.technique.minutes.least
        const window = dwellWindow({ key: '', technique: a.technique.id, regions, minutes: on, why: [] }, isSensitive(this.input.profile))
        if (window) tasks.push({ id: a.technique.id, on: toTicks(min(on)), off: 2 * (regions.length > 5 ? 2 : 1), earliest: window.earliest * 2, latest: window.latest * 2 })
      })
      const best = stagger(tasks)
      if (!best) continue
      const slack = Math.min(...tasks.map((t) => t.latest - (best.dwell[t.id] ?? 0)))
      for (const extra of new Set([0, Math.min(slack, 10)])) for (const calm of list.some((a) => bottles(a).length > 1) ? [false, true] : [false]) out.push(...this.block(`${name}:${id}${calm ? ':calm' : ''}`, list, sets, tasks, best, extra, calm))
    }
    return out
  }

  private block(id: string, list: readonly Allowance[], sets: readonly (readonly RegionId[])[], tasks: readonly MaskTask[], best: NonNullable<ReturnType<typeof stagger>>, extra: number, calm: boolean): Option[] {
    const free = (best.handsFree + extra) / 2
    const lay = best.onOrder.flatMap((tid) => list.flatMap((a, i) => (a.technique.id === tid ? [{ ...this.move(a, sets[i] ?? [], (tasks.find((t) => t.id === tid)?.on ?? 2) / 2, bottles(a)[calm ? bottles(a).length - 1 : 0] ?? {}), dwell: ((best.dwell[tid] ?? 0) + extra) / 2 }] : [])))
    const lift = best.offOrder.flatMap((tid) => list.flatMap((a, i): Move[] => (a.technique.id === tid ? [{ technique: 'maskOff', regions: sets[i] ?? [], minutes: (tasks.find((t) => t.id === tid)?.off ?? 2) / 2 }] : [])))
    const fillers: TechniqueId[] = free >= 5 ? ['shouldersScalp', 'handsArms'] : free >= 2 ? ['handsArms', 'stay'] : free > 0 ? ['stay'] : []
    const base = this.aims.map(() => 0)
    list.forEach((a, i) => {
      const longest = a.technique.dwell?.latest ?? 1
      const dwell = ((best.dwell[a.technique.id] ?? 0) + extra) / 2
      this.effects(a.technique, sets[i] ?? [], Math.min(1, dwell / longest)).forEach((e, k) => { base[k] = (base[k] ?? 0) + e })
    })
    return (fillers.length > 0 ? fillers : [undefined]).map((f) => {
      const filler: Move[] = f ? [{ technique: f, regions: [], minutes: free }] : []
      const effects = f ? this.effects(TECHNIQUES[f], [], Math.min(1, free / 10)).map((e, k) => e + (base[k] ?? 0)) : base
      return this.option(`${id}:${extra}:${f ?? 'none'}`, list.map((a) => a.technique.id), [...lay, ...filler, ...lift], effects, f === 'stay' ? free * 2 : 0)
    })
  }

  /** Region sets for one mask, or T-zone against the rest for two. */
  private layouts(list: readonly Allowance[]): { id: string, sets: (readonly RegionId[])[] }[] {
    const [first, second] = list
    if (!first) return []
    if (!second) return this.regionSets(first.technique, first.barred).map((s) => ({ id: s.group, sets: [s.regions] }))
    const t = GROUPS.tZone.filter((r) => !first.barred.has(r))
    const rest = GROUPS.cheeksJawNeck.filter((r) => !second.barred.has(r) && !t.includes(r))
    return t.length > 0 && rest.length > 0 ? [{ id: 'tZone+rest', sets: [t, rest] }] : []
  }

  private regionSets(t: Technique, barred: ReadonlyMap<RegionId, unknown>): { group: GroupId, regions: readonly RegionId[] }[] {
    const seen = new Set<string>()
    return t.groups.flatMap((group): { group: GroupId, regions: readonly RegionId[] }[] => {
      if (group === 'body') return [{ group, regions: [] }]
      const regions = GROUPS[group].filter((r) => !barred.has(r))
      const key = regions.join()
      if (regions.length === 0 || seen.has(key)) return []
      seen.add(key)
      return [{ group, regions }]
    }).slice(0, 4)
  }

  private move(a: Allowance, regions: readonly RegionId[], minutes: number, bottle: Bottle, passes?: number): Move {
    const { setting } = a.technique
    return { technique: a.technique.id, regions, minutes, ...(passes === undefined ? {} : { passes }), ...(setting ? { setting: setting.start } : {}), ...bottle }
  }

  private effects(t: Technique, regions: readonly RegionId[], share: number): number[] {
    return this.aims.map((aim) => {
      const strength = t.effects[aim] ?? 0
      if (strength === 0) return 0
      const need = CONCERN_NEED[aim]
      const body = regions.length === 0 ? BODY_SHARE * ('constant' in need ? need.constant : 0) : 0
      const sum = regions.reduce((acc, r) => acc + REGION_SHARE[r] * this.need(aim, r), body)
      return Math.round((strength * sum * Math.sqrt(share)) / 10)
    })
  }

  private need(aim: ConcernId, region: RegionId): number {
    const need = CONCERN_NEED[aim]
    if ('constant' in need) return need.constant
    const g = plannedGrade(this.input.profile, region, need.reading)
    return need.invert ? 4 - g : g
  }

  private option(id: string, main: readonly TechniqueId[], moves: readonly Move[], effects: readonly number[], idleTicks: number): Option {
    const taste = SCHOOLS[this.input.school].taste
    return {
      id, main, moves, effects, idleTicks, taste: main.reduce((s, t) => s + (taste[t] ?? 0) * TASTE_SCALE, 0), costCents: planCostCents(this.input, moves),
      exfoliates: main.some((t) => TECHNIQUES[t].families.some((f) => EXFOLIATING.includes(f))),
    }
  }
}
