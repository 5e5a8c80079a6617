import { describe, expect, it } from 'vitest'
import { REST_INTERVALS } from '../../catalogue/rules/restIntervals'
import { ORDER_RULES } from '../../catalogue/rules/orderRules'
import { PAIRS } from '../../catalogue/rules/pairs'
import { PRODUCT_RULES } from '../../catalogue/products/productRules'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { restBars } from '../../load/rest'
import { strengthBars } from '../../screening/strength'
import type { NOTHING_LEFT } from '../../testing/fixtures'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { screen } from '../../screening/verdict'
import { REGION_IDS } from '../../face/zones'
import { checkPlan } from './check'
import { applyEdits } from '../steps/edit'
import type { PlanInput } from '../input'
import { propose } from '../answer/propose'
import { minutes } from '../../units'

const input = planInput({
  school: 'brightLamp',
  aims: ['dullness', 'congestion'],
  readings: readAll({ ...RESILIENT, congestion: 3 }),
})
const good = propose(input).steps
const step = (technique: TechniqueId, more: Partial<PlanStep> = {}): PlanStep => {
  const t = TECHNIQUES[technique]
  return {
    key: `${technique}-9`,
    technique,
    minutes: t.minutes.choices[0] ?? t.minutes.least,
    regions: GROUPS[t.groups[0] ?? 'body'],
    why: [],
    ...(t.product ? { productId: t.product } : {}),
    ...(t.passes ? { passes: 1 } : {}),
    ...(t.setting ? { setting: t.setting.start } : {}),
    ...more,
  }
}
const before = (key: string, s: PlanStep): PlanStep[] => {
  const i = good.findIndex((x) => x.technique === key)
  return [...good.slice(0, i), s, ...good.slice(i)]
}
const without = (t: TechniqueId) => good.filter((s) => s.technique !== t)
const night = { ...input, daylight: false }

/** For each rule a plan that breaks it. The planner's own plan breaks none. */
const BROKEN: Record<string, () => [PlanInput, readonly PlanStep[]]> = {
  'must-settle': () => [input, without('settle')],
  'must-eyes': () => [input, without('eyesOff')],
  'must-surface': () => [input, without('milk')],
  'must-read': () => [input, without('secondReading')],
  'must-deep': () => [
    input,
    good.filter((s) => s.technique !== 'secondCleanse' && s.technique !== 'oilCleanse'),
  ],
  'must-moisturise': () => [input, without('moisturiser')],
  'must-sun': () => [input, without('sunProtection')],
  'must-close': () => [input, without('close')],
  'cool-to-end': () => [input, before('moisturiser', step('warmTowel'))],
  'vitamin-c-first': () => [
    withBottle(product('ampoule', 'bright', { inci: ['Aqua', 'Ascorbic Acid'] })),
    before('moisturiser', step('ampoule', { productId: 'bright' })),
  ],
  'lighter-cream': () => [
    withBottle(product('moisturiser', 'light', { suits: ['oily'] })),
    [
      ...before('moisturiser', step('ampoule')).flatMap((s) =>
        s.technique === 'ampoule'
          ? [
              s,
              step('ampoule', { key: 'ampoule-8' }),
              step('eyeProduct', { key: 'eyeProduct-8', regions: GROUPS.face }),
            ]
          : [s],
      ),
    ],
  ],
  'oil-under-sun': () => [input, before('sunProtection', step('facialOil'))],
  'thin-to-thick': () => [input, before('close', step('serum'))],
  'one-exfoliation': () => [
    { ...input, policy: { camps: { works: 'one' }, without: [] } },
    [...before('tone', step('grain')), step('grain', { key: 'grain-8' })],
  ],
  'pass-limit': () => [input, before('close', step('tip', { passes: 3 }))],
  pair: () => [input, [...good, step('needling'), step('tip')]],
  'straight-before': () => [input, before('close', step('needling'))],
  'thin-zones': () => [input, before('close', step('needling', { setting: 0.4 }))],
  'wear-off': () =>
    [input, before('tone', step('extraction'))].map((x, i) =>
      i === 1 ? cleanThen(step('extraction')) : x,
    ) as [PlanInput, PlanStep[]],
  'machine-no-massage': () => [input, cleanThen(step('blot'), step('tip'), step('massage'))],
  'exfoliate-before': () => [input, cleanThen(step('massage'), step('grain'))],
  quiet: () => [
    input,
    cleanThen(
      step('blot'),
      step('hardeningMask'),
      step('cold'),
      step('stay', { minutes: minutes(24) }),
      step('hardeningOff'),
    ),
  ],
  barred: () => {
    const answers = allNo({ pregnancy: { say: 'yes' } })
    return [
      { ...input, answers, verdict: screen(answers, TODAY) },
      before('close', step('highFrequency')),
    ]
  },
  'over-tolerance': () => [
    {
      ...input,
      residual: Object.fromEntries(REGION_IDS.map((r) => [r, 480])) as typeof NOTHING_LEFT,
    },
    cleanThen(step('grain')),
  ],
  'heat-limit': () => [input, before('close', step('steam', { minutes: minutes(14) }))],
  scope: () => [{ ...input, licences: ['basic'] }, before('close', step('tip'))],
  'no-device': () => [{ ...input, devices: [] }, before('close', step('steam'))],
  'no-product': () => [input, before('close', step('serum', { productId: 'gone' }))],
  'product-barred': () => [
    {
      ...input,
      shelf: input.shelf.map((s) =>
        s.product.id === 'serum' ? { ...s, lots: [lot('serum', { recalled: true })] } : s,
      ),
    },
    before('close', step('serum')),
  ],
  'calm-only': () => [
    {
      ...input,
      shelf: [
        ...input.shelf,
        { product: product('serum', 'strong', { calming: false }), lots: [lot('strong')] },
      ],
    },
    cleanThen(step('blot'), step('tip'), step('serum', { productId: 'strong' })),
  ],
  surface: () => [input, before('close', step('tip'))],
  'dwell-early': () => [
    input,
    cleanThen(step('clay'), step('stay', { minutes: minutes(1) }), step('maskOff')),
  ],
  'dwell-late': () => [
    input,
    cleanThen(step('clay'), step('stay', { minutes: minutes(19) }), step('maskOff')),
  ],
  'left-on': () => [input, cleanThen(step('clay'))],
  attended: () => [
    input,
    cleanThen(
      step('blot'),
      step('salonPeel'),
      step('handsArms', { minutes: minutes(1) }),
      step('neutralise'),
    ),
  ],
  'over-slot': () => [{ ...input, slotMinutes: 30 }, good],
  'minutes-range': () => [input, before('close', step('massage', { minutes: minutes(45) }))],
  'setting-range': () => [input, before('close', step('tip', { setting: 60 }))],
}
const withBottle = (p: ReturnType<typeof product>): PlanInput => ({
  ...input,
  shelf: [...input.shelf, { product: p, lots: [lot(p.id)] }],
})
/** The cleansed skin, then these; the floor that is missing does not matter here. */
function cleanThen(...more: PlanStep[]): PlanStep[] {
  const i = good.findIndex((s) => s.technique === 'secondCleanse' || s.technique === 'oilCleanse')
  return [...good.slice(0, i + 1), ...more]
}
const ids = (i: PlanInput, s: readonly PlanStep[], off?: string) => {
  const rules =
    off === undefined ? ORDER_RULES : new Map([...ORDER_RULES].filter(([id]) => id !== off))
  return checkPlan(i, s, rules).findings
}

describe('rules of the plan', () => {
  it('each have a plan that breaks them', () => {
    expect(Object.keys(BROKEN).sort()).toEqual([...ORDER_RULES.keys()].sort())
  })
  for (const [id, broken] of Object.entries(BROKEN))
    it(`${id} is seen, is not seen in a sound plan, and is missed when switched off`, () => {
      const [i, s] = broken()
      const sentence = (f: { rule: string; key?: string; text: string }) =>
        `${f.rule} ${f.key ?? ''} ${f.text}`
      const all = ids(i, s)
      const less = ids(i, s, id)
      const own = all.filter((f) => !less.some((l) => sentence(l) === sentence(f)))
      expect(own.length, all.map(sentence).join(' | ')).toBeGreaterThan(0)
      expect(
        own.every(
          (f) =>
            f.strength === ORDER_RULES.get(id)?.strength &&
            f.locked === ORDER_RULES.get(id)?.locked &&
            f.source.length > 5,
        ),
      ).toBe(true)
      expect(ids(input, good)).toEqual([])
      // Where a mend is offered it works.
      for (const f of own)
        for (const m of f.mends)
          expect(ids(i, applyEdits(s, m.edits)).map(sentence), m.label).not.toContain(sentence(f))
    })
  for (const p of PAIRS)
    it(`${p.id}: two that never share a visit, and each alone may`, () => {
      const of = (f: string) =>
        TECHNIQUE_IDS.find(
          (t) =>
            TECHNIQUES[t].families.includes(f as 'acid') &&
            !TECHNIQUES[t].families.includes('vacuum' as never),
        ) ?? TECHNIQUE_IDS.find((t) => TECHNIQUES[t].families.includes(f as 'acid'))
      const [a, b] = [of(p.a), of(p.b)]
      const both = a && b ? [step(a), step(b)] : []
      const rules = (steps: readonly PlanStep[], pairs = PAIRS) =>
        checkPlan(night, steps, ORDER_RULES, pairs).findings.map((f) => f.rule)
      expect(rules(both)).toContain(p.id)
      expect(rules(both.slice(0, 1))).not.toContain(p.id)
      expect(
        rules(
          both,
          PAIRS.filter((x) => x.id !== p.id),
        ),
      ).not.toContain(p.id)
    })
  it('lets peel and machine share a visit where the house says so: trained hands, resilient skin', () => {
    const together = { camps: { peelWithMachine: 'together' }, without: [] }
    const rules = (i: PlanInput) =>
      checkPlan(i, [step('acidMask'), step('tip')]).findings.map((f) => f.rule)
    expect(rules({ ...input, policy: together })).not.toContain('pair-tip-acid')
    expect(rules({ ...input, policy: together, licences: ['basic'] })).toContain('pair-tip-acid')
    expect(
      rules(planInput({ readings: readAll({ ...RESILIENT, sensitivity: 2 }), policy: together })),
    ).toContain('pair-tip-acid')
  })
  for (const r of PRODUCT_RULES)
    it(`${r.id}: ${r.sentence}`, () => {
      const kind = r.kinds?.[0] ?? 'acidMask'
      const bad = r.nightOnly
        ? product('serum', 'x', { inci: ['Retinol'] })
        : product(kind, 'x', {
            acid: { name: r.acids?.[0] ?? 'lactic', percent: (r.percentMost ?? 0) + 1 },
            pH: 4,
          })
      expect(strengthBars(bad, true).map((b) => b.rule)).toContain(r.id)
      expect(
        strengthBars(
          bad,
          true,
          PRODUCT_RULES.filter((x) => x.id !== r.id),
        ).map((b) => b.rule),
      ).not.toContain(r.id)
      expect(strengthBars(product('serum'), true)).toEqual([])
      if (r.nightOnly) expect(strengthBars(bad, false)).toEqual([])
      if (r.pHLeast !== undefined)
        expect(
          strengthBars(
            product(kind, 'y', { acid: { name: 'glycolic', percent: 5 }, pH: r.pHLeast - 0.2 }),
            true,
          ).map((b) => b.rule),
        ).toContain(r.id)
    })
  for (const r of REST_INTERVALS)
    it(`${r.id}: ${r.sentence}`, () => {
      const past = [
        { day: TODAY, families: [r.after[0] as 'acid'], regions: ['forehead' as const] },
      ]
      const on = (day: string, rows = REST_INTERVALS) =>
        restBars(past, day, rows).map((b) => b.rule)
      expect(on(TODAY)).toContain(r.id)
      expect(
        on(
          TODAY,
          REST_INTERVALS.filter((x) => x.id !== r.id),
        ),
      ).not.toContain(r.id)
      expect(on('2027-01-01')).toEqual([])
    })
})
