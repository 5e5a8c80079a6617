import { describe, expect, it } from 'vitest'
import { ORDER_RULES } from '../../catalogue/rules/orderRules'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import type { NOTHING_LEFT } from '../../testing/fixtures'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { screen } from '../../screening/verdict/verdict'
import { REGION_IDS } from '../../face/zones'
import { usualStep as step } from '../../testing/steps'
import { checkPlan } from './check'
import { applyEdits } from '../steps/edit'
import type { PlanInput } from '../input'
import { deriveProfile } from '../../skin/profile'
import { propose } from '../answer/propose'
import { minutes } from '../../units'

const input = planInput({
  school: 'brightLamp',
  aims: ['dullness', 'congestion'],
  readings: readAll({ ...RESILIENT, congestion: 3 }),
})
const good = propose(input).steps
const SILICONE = product('serum', 'silky-serum', { inci: ['Cyclopentasiloxane', 'Dimethicone'] })
const before = (key: string, step: PlanStep): PlanStep[] => {
  const i = good.findIndex((other) => other.technique === key)
  return [...good.slice(0, i), step, ...good.slice(i)]
}
const without = (technique: TechniqueId) => good.filter((step) => step.technique !== technique)
/** The sound plan with one step on these zones only. */
const only = (technique: TechniqueId, regions: PlanStep['regions']) =>
  good.map((own) => (own.technique === technique ? { ...own, regions } : own))
/** The sound plan with one step put before another. */
function moved(technique: TechniqueId, other: TechniqueId): PlanStep[] {
  const own = good.find((one) => one.technique === technique)
  const rest = without(technique)
  const at = rest.findIndex((one) => one.technique === other)
  return own ? [...rest.slice(0, at), own, ...rest.slice(at)] : rest
}

/** For each rule a plan that breaks it. The planner's own plan breaks none. */
const BROKEN: Record<string, () => [PlanInput, readonly PlanStep[]]> = {
  'must-settle': () => [input, without('settle')],
  'must-eyes': () => [input, without('eyesOff')],
  'must-surface': () => [input, without('milk')],
  'must-read': () => [input, without('secondReading')],
  'must-deep': () => [
    input,
    good.filter((step) => step.technique !== 'secondCleanse' && step.technique !== 'oilCleanse'),
  ],
  'cleanse-layers': () => [{ ...input, makeUp: ['layered'] }, good],
  'must-moisturise': () => [input, without('moisturiser')],
  'must-sun': () => [input, without('sunProtection')],
  'must-close': () => [input, without('close')],
  'hands-first': () => [input, moved('settle', 'secondReading')],
  'close-last': () => [input, moved('close', 'moisturiser')],
  'off-nothing': () => [input, before('moisturiser', step('lampOff'))],
  'sun-covers': () => [input, only('sunProtection', GROUPS.tZone)],
  'cream-covers': () => [input, only('moisturiser', GROUPS.face)],
  'eyes-first': () => [input, moved('eyesOff', 'secondReading')],
  'read-bare': () => [input, moved('secondReading', 'milk')],
  'read-before-work': () => [input, moved('secondReading', 'close')],
  'washed-off': () => [input, before('tone', step('moisturiser', { key: 'early' }))],
  'lamp-before-layers': () => [input, before('close', step('blueLamp'))],
  'sun-last': () => [input, before('close', step('mist'))],
  'lamp-after-massage': () => {
    const calm = { ...input, aims: ['rest' as const], school: 'warmCloth' as const }
    const { steps } = propose(calm)
    const at = steps.findIndex((own) => own.technique === 'massage')
    return [calm, [...steps.slice(0, at), step('redLamp'), ...steps.slice(at)]]
  },
  'cold-after-warm': () => [input, before('secondCleanse', step('cold'))],
  'sum-heat': () => [
    input,
    [
      ...before('tone', step('steam', { minutes: minutes(8) })),
      step('steam', { key: 'again', minutes: minutes(8) }),
    ],
  ],
  'sum-vacuum': () => [
    input,
    [
      ...without('tip'),
      step('tip', { minutes: minutes(12) }),
      step('vacuumGlide', { minutes: minutes(5) }),
    ],
  ],
  'sum-current': () => [
    input,
    [
      ...good,
      step('microcurrent', { minutes: minutes(15) }),
      step('highFrequency', { minutes: minutes(8) }),
    ],
  ],
  'sum-lamp': () => [
    input,
    [
      ...without('blueLamp'),
      step('blueLamp'),
      step('handsArms', { minutes: minutes(15), key: 'arms-7' }),
      step('lampOff', { key: 'off-7' }),
      step('redLamp'),
      step('handsArms', { minutes: minutes(15), key: 'arms-8' }),
      step('lampOff', { key: 'off-8' }),
    ],
  ],
  'straight-after': () => [input, before('moisturiser', step('crystals'))],
  'goes-after': () => [input, before('tone', step('drainDown'))],
  'no-need': () => [
    { ...input, profile: deriveProfile(readAll({ ...RESILIENT, congestion: 0, texture: 0 }), 30) },
    before('tone', step('grain')),
  ],
  'cool-to-end': () => [input, before('moisturiser', step('warmTowel'))],
  'vitamin-c-first': () => [
    withBottle(product('ampoule', 'bright', { inci: ['Aqua', 'Ascorbic Acid'] })),
    before('moisturiser', step('ampoule', { productId: 'bright' })),
  ],
  'lighter-cream': () => [
    withBottle(product('moisturiser', 'light', { suits: ['oily'] })),
    [
      ...before('moisturiser', step('ampoule')).flatMap((other) =>
        other.technique === 'ampoule'
          ? [
              other,
              step('ampoule', { key: 'ampoule-8' }),
              step('eyeProduct', { key: 'eyeProduct-8', regions: GROUPS.face }),
            ]
          : [other],
      ),
    ],
  ],
  'oil-under-sun': () => [input, before('sunProtection', step('facialOil'))],
  'silicone-under': () => [
    { ...input, shelf: [...input.shelf, { product: SILICONE, lots: [lot(SILICONE.id)] }] },
    before('moisturiser', step('serum', { productId: SILICONE.id })),
  ],
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
    [input, before('tone', step('extraction'))].map((item, i) =>
      i === 1 ? cleanThen(step('extraction')) : item,
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
      residual: Object.fromEntries(
        REGION_IDS.map((region) => [region, 480]),
      ) as typeof NOTHING_LEFT,
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
      shelf: input.shelf.map((item) =>
        item.product.id === 'serum' ? { ...item, lots: [lot('serum', { recalled: true })] } : item,
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
  'on-working': () => [
    input,
    cleanThen(
      step('blot'),
      step('acidMask'),
      step('cold'),
      step('stay', { minutes: minutes(5) }),
      step('maskOff'),
    ),
  ],
  'own-way-off': () => [
    input,
    cleanThen(
      step('blot'),
      step('salonPeel'),
      step('stay', { minutes: minutes(1) }),
      step('rinse'),
    ),
  ],
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
  'device-taken': () => [{ ...input, inUse: [TIP_ELSEWHERE] }, before('close', step('tip'))],
  'minutes-range': () => [input, before('close', step('massage', { minutes: minutes(45) }))],
  'setting-range': () => [input, before('close', step('tip', { setting: 60 }))],
}
const TIP_ELSEWHERE = {
  kind: 'tipMachine',
  name: 'tip and vacuum machine',
  from: 0,
  to: 180,
  words: 'in another room',
} as const
const withBottle = (bottle: ReturnType<typeof product>): PlanInput => ({
  ...input,
  shelf: [...input.shelf, { product: bottle, lots: [lot(bottle.id)] }],
})
/** The cleansed skin, then these; the floor that is missing does not matter here. */
function cleanThen(...more: PlanStep[]): PlanStep[] {
  const i = good.findIndex(
    (step) => step.technique === 'secondCleanse' || step.technique === 'oilCleanse',
  )
  return [...good.slice(0, i + 1), ...more]
}
const ids = (i: PlanInput, steps: readonly PlanStep[], off?: string) => {
  const rules =
    off === undefined ? ORDER_RULES : new Map([...ORDER_RULES].filter(([id]) => id !== off))
  return checkPlan(i, steps, rules).findings
}

describe('rules of the plan', () => {
  it('each have a plan that breaks them', () => {
    expect(Object.keys(BROKEN).sort()).toEqual([...ORDER_RULES.keys()].sort())
  })
  for (const [id, broken] of Object.entries(BROKEN))
    it(`${id} is seen, is not seen in a sound plan, and is missed when switched off`, () => {
      const [i, value] = broken()
      const sentence = (finding: { rule: string; key?: string; text: string }) =>
        `${finding.rule} ${finding.key ?? ''} ${finding.text}`
      const all = ids(i, value)
      const less = ids(i, value, id)
      const own = all.filter(
        (finding) => !less.some((less) => sentence(less) === sentence(finding)),
      )
      expect(own.length, all.map(sentence).join(' | ')).toBeGreaterThan(0)
      expect(
        own.every(
          (finding) =>
            finding.strength === ORDER_RULES.get(id)?.strength &&
            finding.locked === ORDER_RULES.get(id)?.locked &&
            finding.source.length > 5,
        ),
      ).toBe(true)
      expect(ids(input, good)).toEqual([])
      // Where a mend is offered it works.
      for (const finding of own)
        for (const mend of finding.mends)
          expect(ids(i, applyEdits(value, mend.edits)).map(sentence), mend.label).not.toContain(
            sentence(finding),
          )
    })
})
