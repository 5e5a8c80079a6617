import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aftercareCard } from '../../aftercare/card'
import { familiesOfStep } from '../../catalogue/products/families'
import type { FindingId } from '../../catalogue/consultation/findings'
import type { Product } from '../../catalogue/products/products'
import type { ProductKind } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { bottleRateOf } from '../../dosing/bottleRate'
import { loadOn } from '../../load/loads'
import { screen } from '../../screening/verdict/verdict'
import type { Answer } from '../../screening/asking/answers'
import { allNo, lot, planInput, product, TODAY } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { putInOrder, taken } from '../answer/putInOrder'
import { productTrouble } from '../today/bottles'
import { checkPlan } from './check'

const input = planInput()
/** A clean, dry face, then these, in order. */
function onClean(...steps: PlanStep[]): PlanStep[] {
  const ground: TechniqueId[] = ['settle', 'eyesOff', 'milk', 'secondCleanse', 'secondReading']
  return [...ground, 'blot' as const]
    .map((id) => usualStep(id))
    .concat(steps, usualStep('close'))
    .map((own, i) => ({ ...own, key: `${own.technique}-${i + 1}` }))
}
const rulesOf = (steps: readonly PlanStep[], own = input) =>
  checkPlan(own, steps).findings.map(({ rule }) => rule)
const stay = (least: number) => usualStep('stay', { minutes: minutes(least) })

describe('a mask that works by the minute is timed zone by zone', () => {
  const off = (regions: PlanStep['regions'], took: number) => [
    stay(took),
    usualStep('maskOff', { regions }),
  ]
  it('off the chin at five minutes and off the rest at thirty is late on the rest', () => {
    const regions = GROUPS.faceNoEyes
    const rest = regions.filter((region) => region !== 'chin')
    const acid = usualStep('acidMask', { regions })
    const findings = checkPlan(input, onClean(acid, ...off(['chin'], 4), ...off(rest, 24))).findings
    const late = findings.find(({ rule }) => rule === 'dwell-late')
    expect(late?.regions).toEqual(expect.arrayContaining(rest))
    expect(late?.regions ?? []).not.toContain('chin')
  })
  it('wherever it is left over its latest, it is found, however the rest came off', () => {
    const regions = [...GROUPS.tZone]
    fc.assert(
      fc.property(
        fc.subarray(regions, { minLength: 1 }),
        fc.integer({ min: 14, max: 40 }),
        (left, took) => {
          const early = regions.filter((region) => !left.includes(region))
          const acid = usualStep('acidMask', { regions })
          const steps = onClean(
            acid,
            ...(early.length > 0 ? off(early, 4) : []),
            ...off(left, took),
          )
          expect(rulesOf(steps)).toContain('dwell-late')
        },
      ),
    )
  })
  it('what was never taken off one zone is left on there', () => {
    const acid = usualStep('acidMask', { regions: [...GROUPS.tZone] })
    expect(rulesOf(onClean(acid, ...off(['nose'], 4)))).toContain('left-on')
  })
})

describe('nothing lies on what works', () => {
  const WORKING: readonly TechniqueId[] = ['acidMask', 'enzyme', 'salonPeel']
  const LAID: readonly TechniqueId[] = ['lipCare', 'cold', 'stones', 'massage', 'moisturiser']
  it('no balm, globe, stone, hand or cream on an acid, enzyme or peel', () => {
    for (const working of WORKING)
      for (const laid of LAID) {
        const off = working === 'salonPeel' ? 'neutralise' : 'maskOff'
        const steps = onClean(usualStep(working), usualStep(laid), stay(3), usualStep(off))
        const stops = checkPlan(input, steps).findings.filter(({ strength }) => strength === 'stop')
        expect(
          stops.filter(({ key }) => steps.some((own) => own.key === key)).length + stops.length,
          `${laid} on ${working}`,
        ).toBeGreaterThan(0)
        expect(
          rulesOf(steps).some((rule) =>
            ['on-working', 'pair-peel-cold', 'pair-peel-massage', 'pair-peel-lips'].includes(rule),
          ) || stops.some(({ rule }) => rule === 'surface-film'),
          `${laid} on ${working}: ${rulesOf(steps).join(', ')}`,
        ).toBe(true)
      }
  })
  it('no balm, globe or stone on a fresh peel, neutralised or not', () => {
    for (const laid of ['lipCare', 'cold', 'stones'] as const) {
      const peel = [usualStep('salonPeel'), stay(1), usualStep('neutralise'), usualStep(laid)]
      expect(
        rulesOf(onClean(...peel)).filter((rule) => rule.startsWith('pair-peel')),
        laid,
      ).not.toEqual([])
    }
  })
  it('a peel that is only rinsed is not over', () => {
    const peel = (off: TechniqueId) => onClean(usualStep('salonPeel'), stay(1), usualStep(off))
    for (const off of ['rinse', 'maskOff'] as const)
      expect(
        rulesOf(peel(off)).filter((rule) => ['own-way-off', 'left-on'].includes(rule)),
        off,
      ).not.toEqual([])
    expect(rulesOf(peel('neutralise'))).not.toContain('own-way-off')
  })
})

describe('mist waits until the cream has settled', () => {
  const after = (...between: PlanStep[]) =>
    onClean(usualStep('serum'), usualStep('moisturiser'), ...between, usualStep('mist'))
  it('is found on a cream that has not', () => {
    const unsettled = checkPlan({ ...input, daylight: false }, after()).findings
    expect(unsettled.filter(({ strength }) => strength === 'stop')).not.toEqual([])
  })
  it('and is never put there by putting in order', () => {
    const night = { ...input, daylight: false }
    fc.assert(
      fc.property(
        fc.shuffledSubarray(['mist', 'serum', 'moisturiser', 'tone', 'facialOil'] as const, {
          minLength: 3,
        }),
        (ids) => {
          const steps = onClean(...ids.map((id) => usualStep(id)))
          const offer = putInOrder(night, steps)
          if (!offer) return
          const ordered = taken(steps, offer)
          const mist = ordered.findIndex(({ technique }) => technique === 'mist')
          const found = checkPlan(night, ordered).findings.filter(
            ({ key, strength }) => strength === 'stop' && key === ordered[mist]?.key,
          )
          expect(found.map(({ text }) => text)).toEqual([])
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('an acid, enzyme or retinoid is one in whatever bottle it sits', () => {
  const HOLDS: readonly Partial<Product>[] = [
    { acid: { name: 'glycolic', percent: 5 }, pH: 3.6, inci: ['Aqua', 'Glycolic Acid'] },
    { inci: ['Aqua', 'Papain'] },
    { inci: ['Aqua', 'Retinol'] },
  ]
  const CARRIERS: readonly [ProductKind, TechniqueId][] = [
    ['gelCleanser', 'secondCleanse'],
    ['milk', 'milk'],
    ['toner', 'tone'],
    ['serum', 'serum'],
    ['moisturiser', 'moisturiser'],
  ]
  const each = fc.tuple(fc.constantFrom(...HOLDS), fc.constantFrom(...CARRIERS))
  const told = (): Answer =>
    ({
      say: 'yes',
      date: TODAY,
      zones: ['cheekL', 'cheekR', 'nose', 'chin', 'forehead'],
    }) as Answer
  const STAYS: readonly FindingId[] = ['isotretinoin', 'sunburn', 'eczema', 'shaveWax']
  it('stays on the shelf for whoever must have none of it', () => {
    fc.assert(
      fc.property(each, fc.constantFrom(...STAYS), ([holds, [kind, technique]], finding) => {
        const own = product(kind, 'held', holds)
        const answers = allNo({ [finding]: told() })
        const barred = planInput({ answers, verdict: screen(answers, TODAY) })
        const shelf = [...barred.shelf, { product: own, lots: [lot('held')] }]
        const rules = checkPlan({ ...barred, shelf, usedBefore: ['held'] }, [
          usualStep(technique, { productId: 'held' }),
        ]).findings.filter(({ key }) => key === `${technique}-9`)
        const trouble = productTrouble(own, [lot('held')], barred)
        expect(
          rules.some(({ strength }) => strength === 'stop') || trouble.length > 0,
          `${JSON.stringify(holds)} in a ${kind} for ${finding}`,
        ).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
  it('pours its load and leaves its line about the sun', () => {
    for (const holds of HOLDS)
      for (const [kind, technique] of CARRIERS) {
        const own = product(kind, 'held', holds)
        const rate = bottleRateOf(own)
        const work = { handsMinutes: 2, dwellMinutes: 0, passes: 0 }
        const of = (bottleRate: number) =>
          loadOn('cheekL', TECHNIQUES[technique], { ...work, bottleRate })
        expect(of(rate), `${kind}`).toBeGreaterThan(of(0))
        const step = usualStep(technique, { productId: 'held' })
        const held = familiesOfStep(step, [{ product: own }])
        const card = aftercareCard([technique], false, 0, { held })
        const plain = aftercareCard([technique], false, 0)
        expect(card, kind).not.toEqual(plain)
      }
  })
  it('and without one nothing changes', () => {
    for (const [kind] of CARRIERS) expect(bottleRateOf(product(kind))).toBe(0)
  })
})
