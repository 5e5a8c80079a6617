import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { FINDING_IDS } from '../../catalogue/consultation/findings'
import { PRODUCT_KINDS, type ProductKind } from '../../catalogue/kinds'
import { exfoliates } from '../../catalogue/techniques/traits'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import type { Answer } from '../../screening/answers'
import { screen } from '../../screening/verdict'
import type { Grade } from '../../skin/readings'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { checkPlan, freshStep, isFit, placeFor } from '../checks/check'
import { applyEdits, diffPlans } from '../steps/edit'
import { leftOut } from './leftOut'
import { propose } from './propose'
import { planAfterStop } from './stopPlan'
import type { PlanInput } from '../input'
import { minutes } from '../../units'

const has = (input: PlanInput, t: TechniqueId) =>
  propose(input).steps.some((s) => s.technique === t)
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
      madeUp: fc.boolean(),
      daylight: fc.boolean(),
      slot: fc.integer({ min: 30, max: 90 }),
      age: fc.integer({ min: 18, max: 85 }),
      finding: fc.constantFrom(...FINDING_IDS),
      say: fc.constantFrom<Answer['say']>('yes', 'no', 'unsure'),
    })
    .map((q) => {
      const answers = allNo({ [q.finding]: { say: q.say } })
      return planInput({
        readings: readAll(q.skin, { forehead: q.t, nose: q.t, chin: q.t }),
        age: q.age,
        school: q.school,
        madeUp: q.madeUp,
        daylight: q.daylight,
        slotMinutes: q.slot,
        answers,
        verdict: screen(answers, TODAY),
      })
    })
  it('stands before the checker: no finding at all is a stop, and it fits the slot', () => {
    let planned = 0
    fc.assert(
      fc.property(anyInput, (input) => {
        const p = propose(input)
        if (p.failed) {
          expect(p.failed.text.length).toBeGreaterThan(5)
          return
        }
        planned++
        const check = checkPlan(input, p.steps)
        expect(check.findings.filter((f) => f.strength === 'stop').map((f) => f.text)).toEqual([])
        expect(check.trace.schedule.total).toBeLessThanOrEqual(input.slotMinutes)
        expect(p.steps.every((s) => s.why.length > 0)).toBe(true)
        expect(new Set(p.steps.map((s) => s.key)).size).toBe(p.steps.length)
      }),
      { numRuns: process.env.OAK_FULL ? 400 : 60 },
    )
    expect(planned).toBeGreaterThan(20)
  })
  it('plans nothing on a day that should not be', () => {
    expect(propose(planInput(withYes('fever'))).failed?.rule).toBe('fever-visit')
    expect(propose(planInput({ slotMinutes: 8 })).failed?.rule).toBe('over-slot')
  })
  it('leaves out what a finding stops', () => {
    const bright = {
      school: 'brightLamp' as const,
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
        PRODUCT_KINDS.flatMap((k) => [
          {
            product: product(k, `${k}-strong`, { calming: false, suits: ['oily', 'all'] }),
            lots: [lot(`${k}-strong`)],
          },
          ...(kinds.includes(k)
            ? [{ product: product(k, `${k}-calm`), lots: [lot(`${k}-calm`)] }]
            : []),
        ])
      const bright = {
        school: 'brightLamp' as const,
        aims: ['dullness' as const, 'congestion' as const],
        readings: readAll({ ...RESILIENT, oil: 4 }),
      }
      const input = planInput({ ...bright, shelf: two(PRODUCT_KINDS) })
      const steps = propose(input).steps
      const tip = steps.findIndex((s) => s.technique === 'tip')
      expect(tip).toBeGreaterThan(0)
      for (const [i, s] of steps.entries())
        if (s.productId !== undefined)
          expect(
            s.productId.endsWith('-calm'),
            `${s.technique} ${i < tip ? 'before' : 'after'} the tip`,
          ).toBe(i > tip && s.regions.some((r) => steps[tip]?.regions.includes(r)))
      const none = planInput({
        ...bright,
        shelf: two(PRODUCT_KINDS.filter((k) => k !== 'moisturiser')),
      })
      expect(has(none, 'tip')).toBe(false)
      const serum = steps.find((s) => s.technique === 'serum')
      const wrong = checkPlan(
        input,
        applyEdits(steps, [
          { do: 'set', key: serum?.key ?? '', patch: { productId: 'serum-strong' } },
        ]),
      ).findings.find((f) => f.rule === 'calm-only')
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
    expect(rest.steps.map((s) => s.technique)).toContain('moisturiser')
  })
  it('gives each school a plan of its own', () => {
    const plans = SCHOOL_IDS.map((school) =>
      propose(planInput({ school, slotMinutes: 75 }))
        .steps.map((s) => s.technique)
        .join(),
    )
    expect(new Set(plans).size).toBe(SCHOOL_IDS.length)
  })
  it('prices what was left out, or names the rule that bars it', () => {
    const input = planInput({ slotMinutes: 45, ...withYes('epilepsy') })
    const out = leftOut(input, propose(input).steps)
    expect(out.find((l) => l.technique === 'highFrequency')?.why.rule).toBe('epilepsy-current')
    expect(out.every((l) => l.why.text.length > 3)).toBe(true)
    expect(out.some((l) => l.extraMinutes !== undefined || (l.dropsOut?.length ?? 0) > 0)).toBe(
      true,
    )
  })
})

describe('edits', () => {
  const input = planInput({ school: 'brightLamp', aims: ['dullness', 'congestion'] })
  const steps = propose(input).steps
  const rules = (next: typeof steps) => checkPlan(input, next).findings.map((f) => f.rule)
  const tip = steps.find((s) => s.technique === 'tip')
  it('sees a third pass, too long a warmth, a step out of place, and offers a mend that works', () => {
    if (!tip) throw new Error('the plan has no tip')
    const third = applyEdits(steps, [{ do: 'set', key: tip.key, patch: { passes: 3 } }])
    expect(rules(third)).toContain('pass-limit')
    const mend = checkPlan(input, third).findings.find((f) => f.rule === 'pass-limit')?.mends[0]
    expect(rules(applyEdits(third, mend?.edits ?? []))).not.toContain('pass-limit')
    expect(
      rules(applyEdits(steps, [{ do: 'move', key: tip.key, before: steps[1]?.key ?? null }])),
    ).toContain('surface')
    expect(rules(applyEdits(steps, [{ do: 'remove', key: 'sunProtection-1' }]))).toContain(
      'must-sun',
    )
    expect(rules(steps.filter((s) => s.technique !== 'maskOff'))).toContain('left-on')
  })
  it('offers mends that each take their finding away', () => {
    fc.assert(
      fc.property(fc.nat(), fc.nat(), fc.constantFrom('move', 'remove', 'longer'), (a, b, what) => {
        const one = steps[a % steps.length]
        const before = steps[b % steps.length]
        if (!one) return
        const broken = applyEdits(steps, [
          what === 'move'
            ? { do: 'move', key: one.key, before: before?.key ?? null }
            : what === 'remove'
              ? { do: 'remove', key: one.key }
              : { do: 'set', key: one.key, patch: { minutes: minutes(40) } },
        ])
        for (const f of checkPlan(input, broken).findings)
          for (const m of f.mends) {
            const all = checkPlan(input, applyEdits(broken, m.edits)).findings
            const after = all.filter(
              (g) => g.rule === f.rule && g.key === f.key && g.text === f.text,
            )
            expect(
              all.filter((g) => g.rule === 'no-product'),
              m.label,
            ).toEqual([])
            expect(after.map((g) => `${what} ${one.key} → ${m.label}: ${g.text}`)).toEqual([])
          }
      }),
      { numRuns: 150 },
    )
  })
  it('undoes itself: what is moved there and back is the same plan', () => {
    const k = steps[6]?.key ?? ''
    const there = applyEdits(steps, [{ do: 'move', key: k, before: steps[2]?.key ?? null }])
    expect(applyEdits(there, [{ do: 'move', key: k, before: steps[7]?.key ?? null }])).toEqual(
      steps,
    )
    expect(() => applyEdits(steps, [{ do: 'remove', key: 'nothing-1' }])).toThrow(RangeError)
  })
  it('says what differs between two versions', () => {
    const k = steps[3]?.key ?? ''
    const next = applyEdits(steps, [
      { do: 'set', key: k, patch: { minutes: minutes(9) } },
      { do: 'remove', key: steps[5]?.key ?? '' },
    ])
    expect(
      diffPlans(steps, next)
        .map((d) => d.change)
        .sort(),
    ).toEqual(['changed', 'removed'])
    expect(diffPlans(steps, steps)).toEqual([])
  })
  it('adds a step where it usually stands, or not at all when barred', () => {
    expect(freshStep('highFrequency', planInput(withYes('pregnancy')))).toBeUndefined()
    expect(placeFor('sunProtection', steps)).toBe('close-1')
  })
})

describe('after a stop', () => {
  it('leaves only cool and calm work', () => {
    const input = planInput()
    const rest = planAfterStop(input, []).map((s) => s.technique)
    expect(rest).toEqual(['rinse', 'cold', 'moisturiser', 'wait', 'sunProtection', 'close'])
    expect(isFit(checkPlan(input, propose(input).steps))).toBe(true)
  })
})
