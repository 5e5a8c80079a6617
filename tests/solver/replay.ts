import { EXFOLIATING, type FamilyId } from '#core/catalogue/kinds'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { Product } from '#core/catalogue/products/products'
import { freeAcidOf } from '#core/dosing/freeAcid'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { loadOn } from '#core/load/loads'
import { toleranceOf } from '#core/load/tolerance'
import type { Bar } from '#core/screening/verdict'
import type { Profile } from '#core/skin/profile'
import { applyTechnique, startSurface, unmetNeeds } from '#core/surface/surface'

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
  const t = TECHNIQUES[what.technique]
  return (
    by.technique === (t.removedBy ?? 'maskOff') ||
    (by.technique === 'rinse' && t.leaves.film === 'mask')
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
  const resting = new Map<RegionId, { since: number; step: PlanStep }>()
  const grade = (r: RegionId, id: 'sensitivity' | 'redness') =>
    room.profile.regions[r][id] ?? (id === 'sensitivity' ? 2 : 1)
  for (const step of steps) {
    const t = TECHNIQUES[step.technique]
    const name = `${t.name} at ${minutes}`
    for (const u of unmetNeeds(surface, t, step.regions))
      wrong.push(`${name}: ${u.part} is ${u.have}, wants ${u.want}`)
    for (const bar of room.bars)
      if (
        bar.does !== 'restricts' &&
        bar.families.some((f) => t.families.includes(f)) &&
        bar.regions.some((r) =>
          t.wholeFace ? r !== 'neck' && r !== 'decollete' : step.regions.includes(r),
        )
      )
        wrong.push(`${name}: ${bar.rule}`)
    if (t.families.some((f) => EXFOLIATING.includes(f))) works++
    const product = step.productId === undefined ? undefined : room.products.get(step.productId)
    if (product && !product.calming && step.regions.some((r) => surface[r].skin !== 'intact'))
      wrong.push(`${name}: ${product.name} on worked skin`)
    for (const r of step.regions) {
      const on = resting.get(r)
      if (!on || !comesOff(step, on.step)) continue
      const d = TECHNIQUES[on.step.technique].dwell
      const window =
        d && on.step.regions.some((x) => grade(x, 'sensitivity') >= 2 || grade(x, 'redness') >= 2)
          ? d.sensitive
          : d
      const rested = minutes - on.since
      if (window && (rested < window.earliest || rested > window.latest))
        wrong.push(`${name}: rested ${rested}, window ${window.earliest} to ${window.latest}`)
      resting.delete(r)
    }
    // What rests is charged for its whole dwell where it is laid: until the step that lifts it.
    let dwell = 0
    if (t.dwell) {
      let at = minutes + step.minutes
      for (const later of steps.slice(steps.indexOf(step) + 1)) {
        if (comesOff(later, step) && later.regions.some((r) => step.regions.includes(r))) break
        at += later.minutes
      }
      dwell = at - minutes - step.minutes
      for (const r of step.regions) resting.set(r, { since: minutes + step.minutes, step })
    }
    for (const r of step.regions)
      loads[r] += loadOn(
        r,
        t,
        {
          handsMinutes: step.minutes,
          dwellMinutes: dwell,
          passes: step.passes ?? 0,
          freeAcid: product ? freeAcidOf(product) : 0,
          setting: step.setting ?? 0,
        },
        surface[r].warmth === 'warm' ? (TECHNIQUES.steam.heatFactor ?? 100) : 100,
      )
    surface = applyTechnique(surface, t, step.regions, step.minutes * 2)
    minutes += step.minutes
  }
  for (const r of REGION_IDS)
    if (
      loads[r] > room.residual[r] &&
      loads[r] > toleranceOf(room.profile, r, room.tolerancePercent).hundredths
    )
      wrong.push(`${r}: ${loads[r]} over its tolerance`)
  if (minutes > room.slotMinutes) wrong.push(`${minutes} minutes in a slot of ${room.slotMinutes}`)
  const did = (f: FamilyId) => steps.some((s) => TECHNIQUES[s.technique].families.includes(f))
  for (const [a, b] of NEVER) if (did(a) && did(b)) wrong.push(`${a} and ${b} in one visit`)
  for (const [i, s] of steps.entries())
    if (TECHNIQUES[s.technique].after && steps[i - 1]?.technique !== TECHNIQUES[s.technique].after)
      wrong.push(`${s.technique} without ${TECHNIQUES[s.technique].after ?? ''}`)
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
    if (!steps.some((s) => s.technique === must)) wrong.push(`no ${must}`)
  return wrong
}
