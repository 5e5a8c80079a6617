import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import type { Grade } from '../../skin/readings'
import { propose } from '../answer/propose'
import { leftOut } from '../answer/leftOut'
import { checkPlan } from '../checks/check'
import { worthDoing } from './need'
import { atLeastLooked } from '../../testing/looked'

/** Written from the trade's rule: what each kind of work is for, as a reading of 2 or more of 4. */
const REASON: Partial<
  Record<TechniqueId, readonly ('congestion' | 'oil' | 'texture' | 'spots')[]>
> = {
  extraction: ['congestion'],
  grain: ['congestion', 'texture'],
  spatula: ['congestion'],
}
const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
const zone = fc.record({
  oil: grade,
  water: grade,
  redness: fc.constant<Grade>(0),
  congestion: grade,
  sensitivity: fc.constantFrom<Grade>(0, 1),
  texture: grade,
  spots: fc.constantFrom<Grade>(0, 1),
})

describe('work goes where its reason is', () => {
  it('on random skins no planned zone of it lacks a reason, and neck and décolleté are left alone', () => {
    let worked = 0
    fc.assert(
      fc.property(zone, zone, fc.constantFrom(...SCHOOL_IDS), (base, tZone, school) => {
        const readings = readAll(base, { forehead: tZone, nose: tZone, chin: tZone })
        const input = planInput({
          readings,
          school,
          aims: ['congestion', 'shine'],
          slotMinutes: 75,
        })
        for (const step of propose(input).steps) {
          const reasons = REASON[step.technique]
          if (!reasons) continue
          for (const region of step.regions) {
            worked++
            const read = input.profile.regions[region]
            expect(
              reasons.some((reading) => (read[reading] ?? 0) >= 2),
              `${step.technique} on ${region}`,
            ).toBe(true)
            expect(['neck', 'decollete']).not.toContain(region)
          }
        }
      }),
      { numRuns: process.env.OAK_FULL ? 400 : 60, seed: 20261126 },
    )
    expect(worked).toBeGreaterThanOrEqual(atLeastLooked(41))
  })

  it('goes altogether where the zones that ask most are barred, and does not move to the rest', () => {
    const extraction = TECHNIQUES.extraction
    const { profile, aims } = planInput({
      readings: readAll(
        { ...RESILIENT, congestion: 2 },
        { nose: { ...RESILIENT, congestion: 4 }, chin: { ...RESILIENT, congestion: 4 } },
      ),
    })
    const wanted: RegionId[] = ['nose', 'chin', 'mouth']
    expect(worthDoing(extraction, wanted, ['mouth'], { profile, aims })).toBe(false)
    expect(worthDoing(extraction, wanted, ['nose', 'mouth'], { profile, aims })).toBe(true)
    expect(worthDoing(extraction, wanted, [], { profile, aims })).toBe(false)
  })

  it('says of work that nothing asks for it, and of zones added by hand which', () => {
    const clear = planInput({
      readings: readAll({ ...RESILIENT, congestion: 0 }),
      aims: ['rest', 'congestion'],
    })
    const { steps } = propose(clear)
    expect(leftOut(clear, steps).find((left) => left.technique === 'spatula')?.why.rule).toBe(
      'no-need',
    )
    const nose = planInput({
      readings: readAll({ ...RESILIENT, congestion: 0 }, { nose: { ...RESILIENT, congestion: 3 } }),
    })
    const plan = propose(nose).steps
    const at = plan.findIndex((step) => step.technique === 'secondCleanse') + 1
    const byHand = [
      ...plan.slice(0, at),
      {
        key: 'mine',
        technique: 'extraction' as const,
        regions: ['nose', 'chin'] as const,
        minutes: TECHNIQUES.extraction.minutes.least,
        why: [],
      },
      ...plan.slice(at),
    ]
    const found = checkPlan(nose, byHand).findings.find((finding) => finding.rule === 'no-need')
    expect(found?.regions).toEqual(['chin'])
    expect(found?.strength).toBe('advise')
    const pinned = byHand.map((step) => (step.key === 'mine' ? { ...step, pinned: true } : step))
    expect(checkPlan(nose, pinned).findings.some((finding) => finding.rule === 'no-need')).toBe(
      false,
    )
  })

  it('never works more zones of it after a second reading than were planned', () => {
    let compared = 0
    fc.assert(
      fc.property(zone, zone, fc.constantFrom(...SCHOOL_IDS), (before, after, school) => {
        const aims = ['congestion', 'dullness'] as const
        const first = propose(planInput({ readings: readAll(before), school, aims }))
        const again = propose(
          planInput({ readings: readAll(after), school, aims, within: first.steps }),
        )
        for (const step of again.steps) {
          if (!REASON[step.technique]) continue
          const planned = first.steps.filter((own) => own.technique === step.technique)
          for (const region of step.regions)
            expect(
              planned.some((own) => own.regions.includes(region)),
              step.technique,
            ).toBe(true)
          compared++
        }
      }),
      { numRuns: process.env.OAK_FULL ? 400 : 60, seed: 20261127 },
    )
    expect(compared).toBeGreaterThanOrEqual(atLeastLooked(6))
  })
})
