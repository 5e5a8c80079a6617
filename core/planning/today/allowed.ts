import { ADAPTATIONS, type Adaptation } from '../../catalogue/skin/adaptations'
import { KIND_NAMES, LICENCE_NAMES, type ProductKind } from '../../catalogue/kinds'
import type { Why } from '../../catalogue/techniques/step'
import type { LayoutId } from '../../catalogue/techniques/technique'
import { OUTSIDE_ORBIT, outOfReach } from '../../catalogue/techniques/reach'
import { dayInWords } from '../../screening/asking/days'
import { deviceOf, doneAs, rowFor, type DoneAs } from '../../catalogue/techniques/ownWay'
import type { Technique, TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { confirmationsFor } from '../../screening/consent/confirm'
import { heldWords } from '../../hygiene/tools'
import type { Bar } from '../../screening/verdict/verdict'
import { once } from '../../once'
import type { PlanInput } from '../input'
import { isStrong } from '../../catalogue/techniques/traits'
import { hadBefore, tookWell } from '../../load/had'
import { beforeEvent } from '../../screening/verdict/eventAhead'
import { LEAVES_A_MARK, YOUNG } from '../../catalogue/rules/restraint'
import { careful, NOTHING_NEW } from './limits'
import { isNamed, NAMED_ONLY, namedOnly, strongAcid } from './named'
import { regionsMeeting } from './adapt'
import { rangeOf, type Range } from './deviceRange'
import { stopping, meets } from './bars'
import type { Allowance, AllowStep } from './allowance'
import { takenAlong } from './alongside'
import { usableProducts, type Choice } from './bottles'

/**
 * What the answers, the skin, the house and the shelf leave of one technique.
 * @param rows the adaptations that are worked with; all of them but in a check of single rows
 */
export function allowance(
  way: TechniqueId | DoneAs,
  input: PlanInput,
  bars: readonly Bar[] = stopping(input.verdict),
  rows: readonly Adaptation[] = ADAPTATIONS,
  bottles: (kind: ProductKind) => readonly Choice[] = (kind) =>
    usableProducts(kind, input, rows, bars),
): Allowance {
  const technique = rowFor(way, input)
  const draft = new Draft(technique, input)
  draft.byHouse()
  draft.byTools()
  draft.byBars(bars)
  draft.byEvent()
  for (const row of rowsOn(technique.id, rows)) draft.byRow(row)
  draft.byVerdict()
  draft.byReach()
  return draft.done(bottles)
}

/** An allowance while one source after another narrows it. */
class Draft {
  private readonly never: Why[] = []
  private readonly barred = new Map<RegionId, Why[]>()
  private readonly adapted: Why[] = []
  private readonly shortened: string[] = []
  private readonly favourLayout: Partial<Record<LayoutId, number>> = {}
  private readonly setting: Range | undefined
  private minutesMost: number
  private minutesMostElsewhere: number
  private readonly shortOn = new Map<RegionId, number>()
  private minutesLeast: number
  private passesMost: number
  private longerWhy: Why | undefined
  private passesWhy: Why | undefined
  private favour = 0

  constructor(
    private readonly technique: Technique,
    private readonly input: PlanInput,
  ) {
    this.minutesMost = technique.minutes.most
    this.minutesMostElsewhere = technique.minutes.most
    this.minutesLeast = technique.minutes.least
    this.passesMost = technique.passes?.limit ?? 0
    this.setting = rangeOf(technique, input)
    for (const bar of input.verdict.prevented)
      this.never.push({ rule: bar.rule, text: bar.sentence })
  }

  /** What the house does not offer, or hands are not licensed for. */
  byHouse(): void {
    const { technique, input, never } = this
    if (input.policy?.without.includes(technique.id))
      never.push({ rule: 'house-without', text: 'not offered here' })
    if (!input.licences.includes(technique.licence))
      never.push({ rule: 'scope', text: `needs a licence for ${LICENCE_NAMES[technique.licence]}` })
    if (careful(input) && (isStrong(technique.id) || technique.families.includes('peel')))
      never.push({ rule: 'first-visit', text: 'first visit here: nothing strong yet' })
    if ((input.profile.age ?? YOUNG.underAge) < YOUNG.underAge && isAbove(technique, YOUNG))
      never.push({ rule: YOUNG.rule, text: YOUNG.text })
  }

  /** What stands ready: the device, and tools that are clean. */
  byTools(): void {
    const { technique, input, never } = this
    const device = deviceOf(technique)
    if (device && !input.devices.includes(device.kind))
      never.push({ rule: 'no-device', text: `no ${device.name} ready` })
    for (const tool of technique.tools ?? [])
      if (input.held?.includes(tool)) never.push({ rule: 'not-clean', text: heldWords(tool) })
    for (const region of technique.own?.never ?? [])
      this.bar(region, { rule: 'house-never', text: 'never there in this practice' })
  }

  byBars(bars: readonly Bar[]): void {
    for (const bar of bars) {
      if (!meets(bar, this.technique)) continue
      if (bar.unlessTakenWell && tookWell(this.input.past, this.technique.id)) continue
      const text = bar.until ? `${bar.sentence} Until ${dayInWords(bar.until)}.` : bar.sentence
      const why = { rule: bar.rule, text }
      const everywhere =
        bar.regions.length === REGION_IDS.length ||
        (this.technique.wholeFace === true &&
          bar.regions.some((region) => GROUPS.face.includes(region)))
      if (everywhere) this.never.push(why)
      else for (const region of bar.regions) this.bar(region, why)
    }
  }

  /** In the last days before an event nothing that this client never had here. */
  byEvent(): void {
    const { technique, input } = this
    if (
      beforeEvent(input.answers, input.today) &&
      technique.families.some((family) => LEAVES_A_MARK.includes(family)) &&
      !hadBefore(input.past, technique.id)
    )
      this.never.push({ rule: 'event-new', text: NOTHING_NEW })
  }

  /** One adaptation, where its test is met. */
  byRow(row: Adaptation): void {
    const met = regionsMeeting(row, this.input, this.technique)
    if (met.length === 0) return
    const why: Why = { rule: row.id, text: row.sentence }
    if (row.leaveOut) for (const region of met) this.bar(region, why)
    this.shorten(row.minutesMost, why)
    this.shortenOn('reading' in row.when ? met : undefined, row.minutesMost)
    this.lengthen(row.minutesLeast, why)
    this.limitPasses(row.passesMost, why)
    this.limitSetting(row, why)
    if (row.shortDwell) this.adapted.push(why)
    if (row.favour === undefined) return
    if (row.layout !== undefined)
      this.favourLayout[row.layout] = (this.favourLayout[row.layout] ?? 0) + row.favour
    else {
      this.favour += row.favour
      if (row.favour > 0) this.adapted.push(why)
    }
  }

  /** What the answers limit over all techniques of a kind. */
  byVerdict(): void {
    const { limit, limitRules } = this.input.verdict
    const because = (id: 'steamMost' | 'passesMost') =>
      limitRules
        .filter((row) => row.limit[id] === limit[id])
        .map((row) => ({ rule: row.rule, text: row.sentence }))
    if (this.technique.families.includes('heat') && limit.steamMost < this.minutesMost) {
      this.minutesMost = limit.steamMost
      this.shortenOn(undefined, limit.steamMost)
      const whys = because('steamMost')
      this.adapted.push(...whys)
      this.shortened.push(...whys.map((why) => why.rule))
    }
    for (const { rule, say } of confirmationsFor(this.technique, this.input.verdict))
      if (rule !== `technique-${this.technique.id}`)
        this.adapted.push({ rule, text: `first: ${say.toLowerCase()}` })
    if (this.technique.passes && limit.passesMost < this.passesMost) {
      this.passesMost = limit.passesMost
      const whys = because('passesMost')
      this.passesWhy = whys[0] ?? this.passesWhy
      this.adapted.push(...whys)
    }
  }

  /** Where such work is never done, whoever the client is; the client's own reasons come first. */
  byReach(): void {
    const { rule, sentence } = OUTSIDE_ORBIT
    for (const region of outOfReach(this.technique.families))
      this.bar(region, { rule, text: sentence })
  }

  done(bottles: (kind: ProductKind) => readonly Choice[]): Allowance {
    const { technique, setting, never } = this
    if (setting) setting.start = Math.min(setting.most, Math.max(setting.least, setting.start))
    const products = (technique.product ? bottles(technique.product) : []).filter(
      ({ product }) => !strongAcid(product) || isNamed(technique.id, this.input),
    )
    if (technique.product && products.length === 0)
      never.push({
        rule: 'no-product',
        text: `no ${KIND_NAMES[technique.product]} on the shelf for this client`,
      })
    for (const kind of takenAlong(technique))
      if (bottles(kind).length === 0)
        never.push({
          rule: 'no-product',
          text: `no ${KIND_NAMES[kind]} on the shelf for this client`,
        })
    // Said last: whatever else keeps it away says more.
    if (namedOnly(technique) && !isNamed(technique.id, this.input))
      never.push({ rule: 'named-only', text: NAMED_ONLY })
    return {
      technique,
      never,
      barred: this.barred,
      minutesMost: this.minutesMost,
      minutesMostElsewhere: this.minutesMostElsewhere,
      shortOn: this.shortOn,
      minutesLeast: Math.min(this.minutesLeast, this.minutesMost),
      passesMost: this.passesMost,
      ...(setting ? { setting } : {}),
      adapted: this.adapted,
      shortened: this.shortened,
      ...(this.longerWhy ? { longerWhy: this.longerWhy } : {}),
      ...(this.passesWhy ? { passesWhy: this.passesWhy } : {}),
      favour: this.favour,
      favourLayout: this.favourLayout,
      products,
    }
  }

  private bar(region: RegionId, why: Why): void {
    const list = this.barred.get(region) ?? []
    if (!list.some((other) => other.rule === why.rule)) list.push(why)
    this.barred.set(region, list)
  }

  private shorten(minutes: number | undefined, why: Why): void {
    if (minutes === undefined || minutes >= this.minutesMost) return
    this.minutesMost = minutes
    this.adapted.push(why)
    this.shortened.push(why.rule)
  }

  /** Everywhere, or on the zones that show why. */
  private shortenOn(zones: readonly RegionId[] | undefined, minutes: number | undefined): void {
    if (minutes === undefined) return
    if (zones === undefined)
      this.minutesMostElsewhere = Math.min(this.minutesMostElsewhere, minutes)
    else
      for (const zone of zones)
        this.shortOn.set(zone, Math.min(this.shortOn.get(zone) ?? minutes, minutes))
  }

  private lengthen(minutes: number | undefined, why: Why): void {
    if (minutes === undefined || minutes <= this.minutesLeast) return
    this.minutesLeast = minutes
    this.longerWhy = why
    this.adapted.push(why)
  }

  private limitPasses(passes: number | undefined, why: Why): void {
    if (passes === undefined || passes >= this.passesMost) return
    this.passesMost = passes
    this.passesWhy = why
    this.adapted.push(why)
  }

  private limitSetting({ settingMost, settingLeast }: Adaptation, why: Why): void {
    const { setting } = this
    if (!setting) return
    if (settingMost !== undefined && settingMost < setting.most) {
      setting.most = Math.max(setting.least, settingMost)
      this.adapted.push(why)
    }
    if (settingLeast !== undefined && settingLeast > setting.least) {
      setting.least = Math.min(setting.most, settingLeast)
      this.adapted.push(why)
    }
  }
}

/** What each technique may do today, worked out where it is asked after and only once. */
export function allowances(input: PlanInput): AllowStep {
  const bars = stopping(input.verdict)
  const bottles = once((kind: ProductKind) => usableProducts(kind, input, ADAPTATIONS, bars))
  const of = once((technique: Technique) =>
    allowance(doneAs(technique), input, bars, ADAPTATIONS, bottles),
  )
  return (way) => of(rowFor(way, input))
}

const isAbove = ({ rung }: Technique, { rungMost }: typeof YOUNG): boolean => (rung ?? 0) > rungMost

const rowsOf = once((id: TechniqueId) =>
  ADAPTATIONS.filter((adaptation) => adaptation.techniques.includes(id)),
)
const rowsOn = (id: TechniqueId, rows: readonly Adaptation[]): readonly Adaptation[] =>
  rows === ADAPTATIONS ? rowsOf(id) : rows.filter((row) => row.techniques.includes(id))
