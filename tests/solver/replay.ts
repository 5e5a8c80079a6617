import { EXFOLIATING, type FamilyId } from '#core/catalogue/kinds'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { Product } from '#core/catalogue/products/products'
import { freeAcidOf } from '#core/dosing/freeAcid'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { loadOn } from '#core/load/loads'
import { toleranceOf } from '#core/load/tolerance'
import type { Bar } from '#core/screening/verdict/verdict'
import type { Profile } from '#core/skin/profile'
import { applyTechnique, startSurface, unmetNeeds } from '#core/surface/surface'

/** What counts as an exfoliation of the visit: what takes something off, and the spatula. */
export const COUNTED: readonly FamilyId[] = [...EXFOLIATING, 'ultrasound']

/** Work that never shares a visit, written out once more by hand. */
const NEVER: readonly (readonly [FamilyId, FamilyId])[] = [
  ['needling', 'abrasion'],
  ['needling', 'acid'],
  ['needling', 'enzyme'],
  ['needling', 'friction'],
  ['blade', 'abrasion'],
  ['blade', 'acid'],
  ['blade', 'needling'],
  ['abrasion', 'acid'],
]

export interface Room {
  madeUp: boolean
  daylight: boolean
  slotMinutes: number
  profile: Profile
  tolerancePercent: number
  residual: Readonly<Record<RegionId, number>>
  bars: readonly Bar[]
  products: ReadonlyMap<string, Product>
}

const comesOff = (by: PlanStep, what: PlanStep): boolean => {
  const technique = TECHNIQUES[what.technique]
  return (
    by.technique === (technique.removedBy ?? 'maskOff') ||
    (by.technique === 'rinse' && technique.leaves.film === 'mask')
  )
}

/**
 * A finished plan walked once more, step by step, with the surface, the load, the clock and the
 * bars, and nothing of the planning room:
 * what it leaves out of order, overfills or forgets, in words. Empty is sound.
 */
export function replay(steps: readonly PlanStep[], room: Room): string[] {
  const wrong: string[] = []
  let surface = startSurface(room.madeUp)
  let minutes = 0
  let works = 0
  const loads = { ...room.residual }
  const resting = new Map<RegionId, { since: number; step: PlanStep; worked: boolean }>()
  const grade = (region: RegionId, id: 'sensitivity' | 'redness') =>
    room.profile.regions[region][id] ?? (id === 'sensitivity' ? 2 : 1)
  for (const step of steps) {
    const technique = TECHNIQUES[step.technique]
    const name = `${technique.name} at ${minutes}`
    for (const unmetNeed of unmetNeeds(surface, technique, step.regions))
      wrong.push(`${name}: ${unmetNeed.part} is ${unmetNeed.have}, wants ${unmetNeed.want}`)
    for (const bar of room.bars)
      if (
        bar.does !== 'restricts' &&
        bar.families.some((family) => technique.families.includes(family)) &&
        bar.regions.some((region) =>
          technique.wholeFace
            ? region !== 'neck' && region !== 'decollete'
            : step.regions.includes(region),
        )
      )
        wrong.push(`${name}: ${bar.rule}`)
    const takesOff = technique.families.some((family) => EXFOLIATING.includes(family))
    if (technique.families.some((family) => COUNTED.includes(family))) works++
    const product = step.productId === undefined ? undefined : room.products.get(step.productId)
    if (
      product &&
      !product.calming &&
      step.regions.some((region) => surface[region].skin !== 'intact')
    )
      wrong.push(`${name}: ${product.name} on worked skin`)
    for (const region of step.regions) {
      const on = resting.get(region)
      if (!on || !comesOff(step, on.step)) continue
      const dwell = TECHNIQUES[on.step.technique].dwell
      const window =
        dwell &&
        (on.worked ||
          on.step.regions.some((x) => grade(x, 'sensitivity') >= 2 || grade(x, 'redness') >= 2))
          ? dwell.sensitive
          : dwell
      const rested = minutes - on.since
      if (window && (rested < window.earliest || rested > window.latest))
        wrong.push(`${name}: rested ${rested}, window ${window.earliest} to ${window.latest}`)
      resting.delete(region)
    }
    // What rests is charged for its whole dwell where it is laid: until the step that lifts it.
    let dwell = 0
    if (technique.dwell) {
      let at = minutes + step.minutes
      for (const later of steps.slice(steps.indexOf(step) + 1)) {
        if (comesOff(later, step) && later.regions.some((region) => step.regions.includes(region)))
          break
        at += later.minutes
      }
      dwell = at - minutes - step.minutes
      for (const region of step.regions)
        resting.set(region, { since: minutes + step.minutes, step, worked: !takesOff && works > 0 })
    }
    for (const region of step.regions)
      loads[region] += loadOn(
        region,
        technique,
        {
          handsMinutes: step.minutes,
          dwellMinutes: dwell,
          passes: step.passes ?? 0,
          freeAcid: product ? freeAcidOf(product) : 0,
          setting: step.setting ?? 0,
        },
        surface[region].warmth === 'warm' ? (TECHNIQUES.steam.heatFactor ?? 100) : 100,
      )
    surface = applyTechnique(surface, technique, step.regions, step.minutes * 2)
    minutes += step.minutes
  }
  for (const region of REGION_IDS)
    if (
      loads[region] > room.residual[region] &&
      loads[region] > toleranceOf(room.profile, region, room.tolerancePercent).hundredths
    )
      wrong.push(`${region}: ${loads[region]} over its tolerance`)
  if (minutes > room.slotMinutes) wrong.push(`${minutes} minutes in a slot of ${room.slotMinutes}`)
  const did = (family: FamilyId) =>
    steps.some((step) => TECHNIQUES[step.technique].families.includes(family))
  for (const [key, value] of NEVER)
    if (did(key) && did(value)) wrong.push(`${key} and ${value} in one visit`)
  for (const [i, step] of steps.entries())
    if (
      TECHNIQUES[step.technique].after &&
      steps[i - 1]?.technique !== TECHNIQUES[step.technique].after
    )
      wrong.push(`${step.technique} without ${TECHNIQUES[step.technique].after ?? ''}`)
  if (works > 2) wrong.push(`${works} exfoliations`)
  if (resting.size > 0) wrong.push('something is left on')
  for (const must of [
    'settle',
    'milk',
    'secondReading',
    'moisturiser',
    'close',
    ...(room.madeUp ? (['eyesOff'] as const) : []),
    ...(room.daylight ? (['sunProtection'] as const) : []),
  ] as const)
    if (!steps.some((step) => step.technique === must)) wrong.push(`no ${must}`)
  return wrong
}
