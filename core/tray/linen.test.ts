import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Product } from '../catalogue/products/products'
import { TRAY_RULES } from '../catalogue/techniques/linen'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'
import { ZONE_IDS, type RegionId, type ZoneId } from '../face/zones'
import type { Readings } from '../skin/readings'
import { lot, planInput, product, RESILIENT } from '../testing/fixtures'
import { minutes } from '../units'
import { linenFor, linenOfStep, offByLabel } from './linen'

const input = planInput({ school: 'warmCloth' })
const step = (technique: TechniqueId, more: Partial<PlanStep> = {}): PlanStep => ({
  key: technique,
  technique,
  regions: GROUPS[TECHNIQUES[technique].groups[0] ?? 'body'],
  minutes: minutes(1),
  why: [],
  ...more,
})
const linen = (steps: readonly PlanStep[], rules = TRAY_RULES, of = input) =>
  Object.fromEntries(linenFor(of, steps, 0, rules).map(({ name, count }) => [name, count]))

describe('linen by what it is for', () => {
  const mask = (kind: 'hydratingMask' | 'creamMask', more: Partial<Product> = {}) => ({
    ...step(kind, { productId: `own-${kind}` }),
    own: { product: product(kind, `own-${kind}`, more), lots: [lot(`own-${kind}`)] },
  })
  const laidFor = (
    masks: ReturnType<typeof mask>[],
    more: Partial<Parameters<typeof planInput>[0]> = {},
  ) => {
    const of = planInput({ ...more, shelf: [...input.shelf, ...masks.map(({ own }) => own)] })
    const steps = [...masks.map(({ own: _, ...laid }) => laid), step('maskOff')]
    const all = linen(steps, TRAY_RULES, of)
    const last = linenOfStep(of, steps, steps.length - 1)
    const said = offByLabel(of, steps, steps.length - 1)
    return { all, said, last: Object.fromEntries(last.map(({ name, count }) => [name, count])) }
  }
  it('a mask comes off by its own label: cloth, dry tissues, or nothing but the hand', () => {
    expect(laidFor([mask('creamMask')]).last).toEqual({ 'fresh cloth': 1 })
    expect(laidFor([mask('creamMask', { wayOff: 'wipe' })]).last).toEqual({ 'soft tissues': 2 })
    expect(laidFor([mask('creamMask', { wayOff: 'massageIn' })]).last).toEqual({})
  })
  it('says how it comes off by its label just where no cloth, pad or sponge is laid for it', () => {
    const label = fc.constantFrom(
      undefined,
      'rinse' as const,
      'wipe' as const,
      'massageIn' as const,
    )
    fc.assert(
      fc.property(label, label, (one, other) => {
        const masks = [mask('creamMask', { wayOff: one }), mask('hydratingMask', { wayOff: other })]
        const { said, last } = laidFor(masks)
        const wetted = Object.keys(last).some((name) => /cloth|pad|sponge/.test(name))
        expect(said.length > 0).toBe(!wetted)
        for (const words of said) expect(words).toMatch(/no water/)
      }),
    )
    expect(offByLabel(input, [step('milk')], 0)).toEqual([])
  })
  it('as many cloths as it takes wipes, four to a cloth: two clays take two', () => {
    const clays = [
      step('clay', { regions: ['nose'] }),
      step('freshMask', { regions: ['forehead'] }),
      step('maskOff', { regions: ['nose', 'forehead'] }),
    ]
    expect(linenOfStep(input, clays, 2)).toEqual([
      { name: 'fresh cloths', count: 2, costs: 'wash' },
    ])
  })
  it('where the skin has spots a pad, and only there; a house with pads or sponges has its own', () => {
    const spotted = (zones: readonly ZoneId[]) => ({
      readings: Object.fromEntries(
        ZONE_IDS.map((zone) => [zone, { ...RESILIENT, spots: zones.includes(zone) ? 2 : 0 }]),
      ) as Readings,
    })
    const here = { regions: ['chin', 'nose'] as RegionId[] }
    const off = (more: object) => {
      const of = planInput({ school: 'warmCloth', ...more })
      return Object.fromEntries(
        linenOfStep(of, [step('milk', here)], 0).map(({ name, count }) => [name, count]),
      )
    }
    expect(off(spotted([]))).toEqual({ 'fresh cloth': 1 })
    expect(off(spotted(['chin']))).toEqual({ 'fresh cloth': 1, 'cotton pad': 1 })
    expect(off(spotted(['chin', 'nose']))).toEqual({ 'cotton pads': 3 })
    const camp = (removal: string) => ({ policy: { camps: { removal }, without: [] } }) as object
    expect(off(camp('cotton'))).toEqual({ 'cotton pads': 3 })
    expect(off(camp('sponges'))).toEqual({ 'sponges and a bowl of cool water': 2 })
    // A cloth where only a cloth will do.
    const hard = planInput(camp('sponges'))
    expect(linenOfStep(hard, [step('hardeningOff')], 0)).toEqual([
      { name: 'fresh cloths', count: 2, costs: 'wash' },
    ])
  })
  it('what the steps take is what the tray lays', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...TECHNIQUE_IDS), { minLength: 1, maxLength: 12 }),
        (ids) => {
          const steps = ids.map((id) => step(id))
          const sum = (word: string) =>
            steps
              .flatMap((_, place) => linenOfStep(input, steps, place))
              .filter(({ name }) => name.startsWith(word))
              .reduce((total, { count }) => total + count, 0)
          const laid = linen(steps)
          for (const word of ['fresh cloth', 'cotton pad', 'soft tissue'])
            expect(laid[word] ?? laid[`${word}s`] ?? 0).toBe(sum(word))
        },
      ),
    )
  })
})
