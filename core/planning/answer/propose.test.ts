import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { asWorn, MAKE_UP_IDS } from '../../catalogue/consultation/makeUp'
import { FINDING_IDS } from '../../catalogue/consultation/findings'
import { PRODUCT_KINDS, type ProductKind } from '../../catalogue/kinds'
import { exfoliates } from '../../catalogue/techniques/traits'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import type { Answer } from '../../screening/asking/answers'
import { screen } from '../../screening/verdict/verdict'
import type { Grade } from '../../skin/readings'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { checkPlan, isFit } from '../checks/check'
import { applyEdits } from '../steps/edit'
import { leftOut } from './leftOut'
import { propose } from './propose'
import { planAfterStop } from './stopPlan'
import type { PlanInput } from '../input'
import { atLeastLooked } from '../../testing/looked'

const has = (input: PlanInput, technique: TechniqueId) =>
  propose(input).steps.some((step) => step.technique === technique)
const withYes = (id: (typeof FINDING_IDS)[number], more: Partial<Answer> = {}) => {
  const answers = allNo({ [id]: { say: 'yes', ...more } })
  return { answers, verdict: screen(answers, TODAY) }
}
const red: typeof RESILIENT = { ...RESILIENT, redness: 2, sensitivity: 2 }

describe('proposal', () => {
  const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
  const skin = fc.record({
    oil: grade,
    water: grade,
    redness: grade,
    congestion: grade,
    sensitivity: grade,
  }) as fc.Arbitrary<typeof RESILIENT>
  const anyInput = fc
    .record({
      skin,
      t: skin,
      school: fc.constantFrom(...SCHOOL_IDS),
      makeUp: fc.subarray([...MAKE_UP_IDS]).map(asWorn),
      daylight: fc.boolean(),
      slot: fc.integer({ min: 30, max: 90 }),
      age: fc.integer({ min: 18, max: 85 }),
      finding: fc.constantFrom(...FINDING_IDS),
      say: fc.constantFrom<Answer['say']>('yes', 'no', 'unsure'),
    })
    .map((question) => {
      const answers = allNo({ [question.finding]: { say: question.say } })
      return planInput({
        readings: readAll(question.skin, {
          forehead: question.t,
          nose: question.t,
          chin: question.t,
        }),
        age: question.age,
        school: question.school,
        makeUp: question.makeUp,
        daylight: question.daylight,
        slotMinutes: question.slot,
        answers,
        verdict: screen(answers, TODAY),
      })
    })
  it('stands before the checker: no finding at all is a stop, and it fits the slot', () => {
    let planned = 0
    fc.assert(
      fc.property(anyInput, (input) => {
        const proposal = propose(input)
        if (proposal.failed) {
          expect(proposal.failed.text.length).toBeGreaterThan(5)
          return
        }
        planned++
        const check = checkPlan(input, proposal.steps)
        expect(
          check.findings
            .filter((finding) => finding.strength === 'stop')
            .map((finding) => finding.text),
        ).toEqual([])
        expect(check.trace.schedule.total).toBeLessThanOrEqual(input.slotMinutes)
        expect(proposal.steps.every((step) => step.why.length > 0)).toBe(true)
        expect(new Set(proposal.steps.map((step) => step.key)).size).toBe(proposal.steps.length)
      }),
      { numRuns: process.env.OAK_FULL ? 400 : 60 },
    )
    expect(planned).toBeGreaterThanOrEqual(atLeastLooked(21))
  })
  it('plans nothing on a day that should not be', () => {
    expect(propose(planInput(withYes('fever'))).failed?.rule).toBe('fever-visit')
    expect(propose(planInput({ slotMinutes: 8 })).failed?.rule).toBe('over-slot')
  })
  it('leaves out what a finding stops', () => {
    const bright = {
      school: 'brightLamp' as const,
      named: ['tip' as const],
      aims: ['dullness' as const, 'congestion' as const],
    }
    expect(has(planInput(bright), 'tip')).toBe(true)
    expect(has(planInput({ ...bright, ...withYes('isotretinoin') }), 'tip')).toBe(false)
    expect(has(planInput({ ...bright, ...withYes('pregnancy') }), 'highFrequency')).toBe(false)
    expect(has(planInput({ ...bright, licences: ['basic'] }), 'tip')).toBe(false)
    expect(has(planInput({ ...bright, devices: [] }), 'steam')).toBe(false)
  })
  it('treats the rest where the cheeks are red', () => {
    const input = planInput({
      readings: readAll({ ...RESILIENT, congestion: 3 }, { cheekL: red, cheekR: red }),
      school: 'brightLamp',
      aims: ['congestion', 'dullness'],
    })
    const works = propose(input).steps.filter((step) => exfoliates(step.technique))
    expect(works.flatMap((step) => step.regions)).toContain('nose')
    for (const work of works) expect(work.regions).not.toContain('cheekL')
    expect(propose(input).steps.map((step) => step.technique)).not.toContain('steam')
  })
  it(
    'puts only calming products on skin that has just been abraded, best suited ones ' +
      'elsewhere, and plans no tip where the shelf has none',
    () => {
      const two = (kinds: readonly ProductKind[]) =>
        PRODUCT_KINDS.flatMap((productKind) => [
          {
            product: product(productKind, `${productKind}-strong`, {
              calming: false,
              suits: ['oily', 'all'],
            }),
            lots: [lot(`${productKind}-strong`)],
          },
          ...(kinds.includes(productKind)
            ? [
                {
                  product: product(productKind, `${productKind}-calm`),
                  lots: [lot(`${productKind}-calm`)],
                },
              ]
            : []),
        ])
      const bright = {
        school: 'brightLamp' as const,
        named: ['tip' as const],
        aims: ['dullness' as const, 'congestion' as const],
        readings: readAll({ ...RESILIENT, oil: 4 }),
      }
      const input = planInput({ ...bright, shelf: two(PRODUCT_KINDS) })
      const steps = propose(input).steps
      const tip = steps.findIndex((step) => step.technique === 'tip')
      expect(tip).toBeGreaterThan(0)
      for (const [i, step] of steps.entries())
        if (step.productId !== undefined)
          expect(
            step.productId.endsWith('-calm'),
            `${step.technique} ${i < tip ? 'before' : 'after'} the tip`,
          ).toBe(i > tip && step.regions.some((region) => steps[tip]?.regions.includes(region)))
      const none = planInput({
        ...bright,
        shelf: two(PRODUCT_KINDS.filter((productKind) => productKind !== 'moisturiser')),
      })
      expect(has(none, 'tip')).toBe(false)
      const serum = steps.find((step) => step.technique === 'serum')
      const wrong = checkPlan(
        input,
        applyEdits(steps, [
          { do: 'set', key: serum?.key ?? '', patch: { productId: 'serum-strong' } },
        ]),
      ).findings.find((finding) => finding.rule === 'calm-only')
      expect(wrong).toMatchObject({ strength: 'stop', locked: true })
      expect(wrong?.mends[0]?.label).toBe('Use serum-calm')
    },
  )
  it('closes with sun protection by day and may oil by night', () => {
    expect(has(planInput({ daylight: true }), 'sunProtection')).toBe(true)
    expect(has(planInput({ daylight: false }), 'sunProtection')).toBe(false)
    expect(has(planInput({ daylight: true }), 'facialOil')).toBe(false)
  })
  it('plans what is left after done steps and keeps those as they were', () => {
    const input = planInput()
    const full = propose(input)
    const done = full.steps.slice(0, 5)
    const rest = propose({ ...input, slotMinutes: 40 }, done)
    expect(rest.steps.slice(0, 5)).toEqual(done)
    expect(rest.minutes).toBeLessThanOrEqual(40)
    expect(rest.steps.map((step) => step.technique)).toContain('moisturiser')
  })
  it('gives each school a plan of its own', () => {
    const plans = SCHOOL_IDS.map((school) =>
      propose(planInput({ school, slotMinutes: 75 }))
        .steps.map((step) => step.technique)
        .join(),
    )
    expect(new Set(plans).size).toBe(SCHOOL_IDS.length)
  })
  it('prices what was left out, or names the rule that bars it', () => {
    const input = planInput({ slotMinutes: 45, ...withYes('epilepsy') })
    const out = leftOut(input, propose(input).steps)
    expect(out.find((leftOut) => leftOut.technique === 'highFrequency')?.why.rule).toBe(
      'epilepsy-current',
    )
    expect(out.every((leftOut) => leftOut.why.text.length > 3)).toBe(true)
    expect(
      out.some(
        (leftOut) => leftOut.extraMinutes !== undefined || (leftOut.dropsOut?.length ?? 0) > 0,
      ),
    ).toBe(true)
  })
})

describe('after a stop', () => {
  it('leaves only cool and calm work', () => {
    const input = planInput()
    const rest = planAfterStop(input, []).map((step) => step.technique)
    expect(rest).toEqual(['rinse', 'cold', 'moisturiser', 'wait', 'sunProtection', 'close'])
    expect(isFit(checkPlan(input, propose(input).steps))).toBe(true)
  })
  it('is a plan that may be worked, wherever it stopped', () => {
    const input = planInput()
    const { steps } = propose(input)
    for (let done = 0; done < steps.length; done++) {
      const after = checkPlan(input, planAfterStop(input, steps.slice(0, done))).findings
      const stops = after.filter((own) => own.strength === 'stop').map((own) => own.rule)
      // What rested when it stopped is taken off by the rinse; the surface before is as it is.
      expect(stops.filter((rule) => ['sun-covers', 'must-sun', 'barred'].includes(rule))).toEqual(
        [],
      )
    }
  })
})

describe('what must be in the plan', () => {
  it('is in it, whatever has to go; what may not be done stays out', () => {
    const input = planInput({ school: 'brightLamp', aims: ['congestion', 'dullness'] })
    const without = propose(input).steps.map((step) => step.technique)
    for (const technique of ['massage', 'clay', 'enzyme'] as const) {
      if (without.includes(technique)) continue
      const { steps, failed } = propose({ ...input, wanted: [technique] })
      expect(failed).toBeUndefined()
      expect(steps.map((step) => step.technique)).toContain(technique)
      expect(isFit(checkPlan(input, steps))).toBe(true)
    }
    const barred = { ...input, policy: { camps: {}, without: ['massage' as const] } }
    expect(
      propose({ ...barred, wanted: ['massage'] }).steps.map((step) => step.technique),
    ).not.toContain('massage')
  })
})
