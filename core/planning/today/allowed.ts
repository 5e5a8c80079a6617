import { ADAPTATIONS, type Adaptation } from '../../catalogue/skin/adaptations'
import { INGREDIENTS, ingredientsIn } from '../../catalogue/products/ingredients'
import { DEVICE_NAMES, KIND_NAMES, LICENCE_NAMES, type ProductKind } from '../../catalogue/kinds'
import type { Lot, Product } from '../../catalogue/products/products'
import type { Why } from '../../catalogue/techniques/step'
import { TECHNIQUES, type Technique, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { LayoutId, Setting } from '../../catalogue/techniques/technique'
import { freeAcidOf } from '../../dosing/freeAcid'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { restBars } from '../../load/rest'
import { lotBars, productBars, type ProductBar } from '../../screening/products'
import { barsFromSkin } from '../../screening/skin'
import { strengthBars } from '../../screening/strength'
import type { Bar } from '../../screening/verdict'
import { regionsMeeting } from './adapt'
import type { PlanInput } from '../input'

export interface Choice {
  product: Product
  lot: Lot
}

/** What one technique may do on this client today, and the rules behind it. */
export interface Allowance {
  technique: Technique
  /** Nothing anywhere: why. */
  never: readonly Why[]
  barred: ReadonlyMap<RegionId, readonly Why[]>
  minutesMost: number
  passesMost: number
  /** The device's range for this client and these hands; absent where there is no setting. */
  setting?: { least: number; start: number; most: number }
  adapted: readonly Why[]
  /** Which of these rules shorten it. */
  shortened: readonly string[]
  /** Liked more or less today, in the currency of a school's taste. */
  favour: number
  favourLayout: Readonly<Partial<Record<LayoutId, number>>>
  products: readonly Choice[]
}

/** All bars of today: answers, the skin's own redness, and rest intervals. */
export function allBars(input: PlanInput): Bar[] {
  return [
    ...input.verdict.bars,
    ...barsFromSkin(input.profile),
    ...restBars(input.past, input.today),
  ].filter((b) => b.does !== 'restricts')
}

/**
 * What the answers, the skin, the house and the shelf leave of one technique.
 * @param rows the adaptations that are worked with; all of them but in a check of single rows
 */
export function allowance(
  id: TechniqueId,
  input: PlanInput,
  bars: readonly Bar[] = allBars(input),
  rows: readonly Adaptation[] = ADAPTATIONS,
  bottles: (kind: ProductKind) => readonly Choice[] = (kind) => usableProducts(kind, input, rows),
): Allowance {
  const technique = TECHNIQUES[id]
  const never: Why[] = []
  const barred = new Map<RegionId, Why[]>()
  const bar = (r: RegionId, why: Why) => {
    const list = barred.get(r) ?? []
    if (!list.some((w) => w.rule === why.rule)) list.push(why)
    barred.set(r, list)
  }
  for (const b of input.verdict.prevented) never.push({ rule: b.rule, text: b.sentence })
  if (input.policy?.without.includes(id))
    never.push({ rule: 'house-without', text: 'not offered in this house' })
  if (!input.licences.includes(technique.licence))
    never.push({ rule: 'scope', text: `needs a licence for ${LICENCE_NAMES[technique.licence]}` })
  if (technique.device && !input.devices.includes(technique.device))
    never.push({ rule: 'no-device', text: `no ${DEVICE_NAMES[technique.device]} ready` })
  for (const b of bars) {
    if (!b.families.some((f) => technique.families.includes(f))) continue
    const text = b.until ? `${b.sentence} Until ${b.until}.` : b.sentence
    const everywhere =
      b.regions.length === REGION_IDS.length ||
      (technique.wholeFace === true && b.regions.some((r) => GROUPS.face.includes(r)))
    if (everywhere) never.push({ rule: b.rule, text })
    else for (const r of b.regions) bar(r, { rule: b.rule, text })
  }
  let minutesMost: number = technique.minutes.most
  let passesMost = technique.passes?.limit ?? 0
  const setting = technique.setting
    ? {
        least: technique.setting.least,
        start: technique.setting.start,
        most: mostFor(technique.setting, input),
      }
    : undefined
  const adapted: Why[] = []
  const shortened: string[] = []
  let favour = 0
  const favourLayout: Partial<Record<LayoutId, number>> = {}
  for (const a of rowsOn(id, rows)) {
    const met = regionsMeeting(a, input, technique)
    if (met.length === 0) continue
    const why: Why = { rule: a.id, text: a.sentence }
    if (a.leaveOut) for (const r of met) bar(r, why)
    if (a.minutesMost !== undefined && a.minutesMost < minutesMost) {
      minutesMost = a.minutesMost
      adapted.push(why)
      shortened.push(a.id)
    }
    if (a.passesMost !== undefined && a.passesMost < passesMost) {
      passesMost = a.passesMost
      adapted.push(why)
    }
    if (setting && a.settingMost !== undefined && a.settingMost < setting.most) {
      setting.most = Math.max(setting.least, a.settingMost)
      adapted.push(why)
    }
    if (setting && a.settingLeast !== undefined && a.settingLeast > setting.least) {
      setting.least = Math.min(setting.most, a.settingLeast)
      adapted.push(why)
    }
    if (a.shortDwell) adapted.push(why)
    if (a.favour !== undefined && a.layout === undefined) {
      favour += a.favour
      if (a.favour > 0) adapted.push(why)
    }
    if (a.favour !== undefined && a.layout !== undefined)
      favourLayout[a.layout] = (favourLayout[a.layout] ?? 0) + a.favour
  }
  if (setting) setting.start = Math.min(setting.most, Math.max(setting.least, setting.start))
  const { limit, limitRules } = input.verdict
  if (technique.families.includes('heat') && limit.steamMost < minutesMost) {
    minutesMost = limit.steamMost
    for (const l of limitRules)
      if (l.limit.steamMost === limit.steamMost) {
        adapted.push({ rule: l.rule, text: l.sentence })
        shortened.push(l.rule)
      }
  }
  if (technique.passes && limit.passesMost < passesMost) {
    passesMost = limit.passesMost
    for (const l of limitRules)
      if (l.limit.passesMost === limit.passesMost) adapted.push({ rule: l.rule, text: l.sentence })
  }
  const products = technique.product ? bottles(technique.product) : []
  if (technique.product && products.length === 0)
    never.push({
      rule: 'no-product',
      text: `no ${KIND_NAMES[technique.product]} on the shelf for this client`,
    })
  return {
    technique,
    never,
    barred,
    minutesMost,
    passesMost,
    ...(setting ? { setting } : {}),
    adapted,
    shortened,
    favour,
    favourLayout,
    products,
  }
}

export type Allow = (id: TechniqueId) => Allowance
/** What each technique may do today, worked out where it is asked after and only once. */
export function allowances(input: PlanInput): Allow {
  const bars = allBars(input)
  const shelf = new Map<ProductKind, readonly Choice[]>()
  const bottles = (kind: ProductKind) => {
    let own = shelf.get(kind)
    if (!own) {
      own = usableProducts(kind, input, ADAPTATIONS)
      shelf.set(kind, own)
    }
    return own
  }
  const known = new Map<TechniqueId, Allowance>()
  return (id) => {
    let a = known.get(id)
    if (!a) {
      a = allowance(id, input, bars, ADAPTATIONS, bottles)
      known.set(id, a)
    }
    return a
  }
}

const ROWS_ON = new Map<TechniqueId, readonly Adaptation[]>()
function rowsOn(id: TechniqueId, rows: readonly Adaptation[]): readonly Adaptation[] {
  if (rows !== ADAPTATIONS) return rows.filter((a) => a.techniques.includes(id))
  let own = ROWS_ON.get(id)
  if (!own) {
    own = rows.filter((a) => a.techniques.includes(id))
    ROWS_ON.set(id, own)
  }
  return own
}

const mostFor = (setting: Setting, input: PlanInput): number =>
  setting.more && input.licences.includes(setting.more.licence) ? setting.more.most : setting.most

/** Why a product may not be used, bottle by bottle or as such; empty when a bottle is fit. */
export function productTrouble(
  product: Product,
  lots: readonly Lot[],
  input: PlanInput,
  rows: readonly Adaptation[] = ADAPTATIONS,
): ProductBar[] {
  const own = productBars(product, input.verdict, input.answers)
  for (const a of rows) {
    if (a.avoid === undefined || !ingredientsIn(product.inci).includes(a.avoid)) continue
    const technique = a.techniques.map((t) => TECHNIQUES[t]).find((t) => t.product === product.kind)
    if (technique && regionsMeeting(a, input, technique).length > 0)
      own.push({ rule: a.id, text: `holds ${INGREDIENTS[a.avoid].name}: ${a.sentence}` })
  }
  own.push(...strengthBars(product, input.daylight))
  const patch = input.patch[product.id]
  if (patch !== undefined) own.push({ rule: 'patch-test', text: patch })
  if (own.length > 0) return own
  if (lots.length === 0) return [{ rule: 'no-product', text: 'none on the shelf' }]
  const perLot = lots.map((l) => lotBars(l, product, input.today))
  return perLot.some((b) => b.length === 0) ? [] : (perLot[0] ?? [])
}

/**
 * Fit products of a kind, the weakest acid first, then the best suited, ties by id; the bottle that
 * expires first is taken.
 */
function usableProducts(
  kind: ProductKind,
  input: PlanInput,
  rows: readonly Adaptation[],
): Choice[] {
  const out: { choice: Choice; score: number; acid: number }[] = []
  for (const { product, lots } of input.shelf) {
    if (product.kind !== kind || productTrouble(product, lots, input, rows).length > 0) continue
    const lot = [...lots]
      .filter((l) => lotBars(l, product, input.today).length === 0)
      .sort((a, b) => (a.expires < b.expires ? -1 : 1))[0]
    if (lot)
      out.push({
        choice: { product, lot },
        score: suitScore(product, input),
        acid: freeAcidOf(product),
      })
  }
  return out
    .sort(
      (a, b) =>
        a.acid - b.acid ||
        b.score - a.score ||
        (a.choice.product.id < b.choice.product.id ? -1 : 1),
    )
    .map((o) => o.choice)
}

function suitScore(product: Product, input: PlanInput): number {
  const { type, conditions } = input.profile
  let score = 0
  for (const s of product.suits) {
    if (s === 'all') score += 1
    if (s === 'oily' && (type === 'oily' || type === 'combination')) score += 3
    if (s === 'dry' && (type === 'dry' || conditions.includes('dehydrated'))) score += 3
    if (s === 'sensitive' && (conditions.includes('sensitive') || conditions.includes('reactive')))
      score += 5
    if (s === 'congested' && conditions.includes('congested')) score += 3
    if (s === 'mature' && conditions.includes('mature')) score += 3
  }
  return score
}
