import { ADAPTATIONS, type Adaptation } from '../catalogue/adaptations'
import { DEVICE_NAMES, KIND_NAMES, LICENCE_NAMES } from '../catalogue/kinds'
import type { Lot, Product } from '../catalogue/products'
import type { Why } from '../catalogue/step'
import { TECHNIQUES } from '../catalogue/techniques'
import type { Technique, TechniqueId } from '../catalogue/technique'
import { GROUPS } from '../face/regions'
import { REGION_IDS, type RegionId } from '../face/zones'
import { restBars } from '../load/rest'
import { lotBars, productBars, type ProductBar } from '../screening/products'
import { barsFromSkin } from '../screening/skin'
import type { Bar } from '../screening/verdict'
import { plannedGrade } from '../skin/profile'
import type { PlanInput } from './input'

export interface Choice { product: Product, lot: Lot }

/** What one technique may do on this client today, and the rules behind it. */
export interface Allowance {
  technique: Technique
  /** Nothing anywhere: why. */
  never: readonly Why[]
  barred: ReadonlyMap<RegionId, readonly Why[]>
  minutesMost: number
  passesMost: number
  adapted: readonly Why[]
  products: readonly Choice[]
}

/** All bars of today: answers, the skin's own redness, and rest intervals. */
export function allBars(input: PlanInput): Bar[] {
  return [...input.verdict.bars, ...barsFromSkin(input.profile), ...restBars(input.past, input.today)].filter((b) => b.does !== 'restricts')
}

export function allowance(id: TechniqueId, input: PlanInput, bars: readonly Bar[] = allBars(input)): Allowance {
  const technique = TECHNIQUES[id]
  const never: Why[] = []
  const barred = new Map<RegionId, Why[]>()
  const bar = (r: RegionId, why: Why) => { const list = barred.get(r) ?? []; if (!list.some((w) => w.rule === why.rule)) list.push(why); barred.set(r, list) }
  for (const b of input.verdict.prevented) never.push({ rule: b.rule, text: b.sentence })
  if (!input.licences.includes(technique.licence)) never.push({ rule: 'scope', text: `needs a licence for ${LICENCE_NAMES[technique.licence]}` })
  if (technique.device && !input.devices.includes(technique.device)) never.push({ rule: 'no-device', text: `no ${DEVICE_NAMES[technique.device]} ready` })
  for (const b of bars) {
    if (!b.families.some((f) => technique.families.includes(f))) continue
    const text = b.until ? `${b.sentence} Until ${b.until}.` : b.sentence
    const everywhere = b.regions.length === REGION_IDS.length || (technique.wholeFace === true && b.regions.some((r) => GROUPS.face.includes(r)))
    if (everywhere) never.push({ rule: b.rule, text })
    else for (const r of b.regions) bar(r, { rule: b.rule, text })
  }
  let minutesMost: number = technique.minutes.most
  let passesMost = technique.passes?.limit ?? 0
  const adapted: Why[] = []
  for (const a of ADAPTATIONS) {
    if (a.technique !== id) continue
    const met = regionsMeeting(a, input, technique)
    if (met.length === 0) continue
    const why: Why = { rule: a.id, text: a.sentence }
    if (a.leaveOut) for (const r of met) bar(r, why)
    if (a.minutesMost !== undefined && a.minutesMost < minutesMost) { minutesMost = a.minutesMost; adapted.push(why) }
    if (a.passesMost !== undefined && a.passesMost < passesMost) { passesMost = a.passesMost; adapted.push(why) }
  }
  const { limit, limitRules } = input.verdict
  if (technique.families.includes('heat') && limit.steamMost < minutesMost) { minutesMost = limit.steamMost; for (const l of limitRules) if (l.limit.steamMost === limit.steamMost) adapted.push({ rule: l.rule, text: l.sentence }) }
  if (technique.passes && limit.passesMost < passesMost) { passesMost = limit.passesMost; for (const l of limitRules) if (l.limit.passesMost === limit.passesMost) adapted.push({ rule: l.rule, text: l.sentence }) }
  const products = technique.product ? usableProducts(technique, input) : []
  if (technique.product && products.length === 0) never.push({ rule: 'no-product', text: `no ${KIND_NAMES[technique.product]} on the shelf for this client` })
  return { technique, never, barred, minutesMost, passesMost, adapted, products }
}

function regionsMeeting(a: Adaptation, input: PlanInput, technique: Technique): RegionId[] {
  const reach = [...new Set(technique.groups.flatMap((g) => GROUPS[g]))]
  const { when } = a
  if ('ageFrom' in when) return (input.profile.age ?? 0) >= when.ageFrom ? reach : []
  return reach.filter((r) => {
    const g = plannedGrade(input.profile, r, when.reading)
    return (when.atLeast === undefined || g >= when.atLeast) && (when.atMost === undefined || g <= when.atMost)
  })
}

/** Why a product may not be used, bottle by bottle or as such; empty when a bottle is fit. */
export function productTrouble(product: Product, lots: readonly Lot[], input: PlanInput): ProductBar[] {
  const own = productBars(product, input.verdict, input.answers)
  const patch = input.patch[product.id]
  if (patch !== undefined) own.push({ rule: 'patch-test', text: patch })
  if (own.length > 0) return own
  if (lots.length === 0) return [{ rule: 'no-product', text: 'none on the shelf' }]
  const perLot = lots.map((l) => lotBars(l, product, input.today))
  return perLot.some((b) => b.length === 0) ? [] : (perLot[0] ?? [])
}

/** Fit products of a technique's kind, the best suited first, ties by id; the bottle that expires first is taken. */
function usableProducts(technique: Technique, input: PlanInput): Choice[] {
  const out: { choice: Choice, score: number }[] = []
  for (const { product, lots } of input.shelf) {
    if (product.kind !== technique.product || productTrouble(product, lots, input).length > 0) continue
    const lot = [...lots].filter((l) => lotBars(l, product, input.today).length === 0).sort((a, b) => (a.expires < b.expires ? -1 : 1))[0]
    if (lot) out.push({ choice: { product, lot }, score: suitScore(product, input) })
  }
  return out.sort((a, b) => b.score - a.score || (a.choice.product.id < b.choice.product.id ? -1 : 1)).map((o) => o.choice)
}

function suitScore(product: Product, input: PlanInput): number {
  const { type, conditions } = input.profile
  let score = 0
  for (const s of product.suits) {
    if (s === 'all') score += 1
    if (s === 'oily' && (type === 'oily' || type === 'combination')) score += 3
    if (s === 'dry' && (type === 'dry' || conditions.includes('dehydrated'))) score += 3
    if (s === 'sensitive' && (conditions.includes('sensitive') || conditions.includes('reactive'))) score += 5
    if (s === 'congested' && conditions.includes('congested')) score += 3
    if (s === 'mature' && conditions.includes('mature')) score += 3
  }
  return score
}
