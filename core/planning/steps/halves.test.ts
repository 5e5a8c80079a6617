import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { PlanStep } from '../../catalogue/techniques/step'
import { doseOf } from '../../dosing/layers'
import { areaOf, GROUPS } from '../../face/regions'
import { areaOn, common, isOtherHalf, nameWhere, onSide, sidesOn } from '../../face/sides'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { planInput } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { checkPlan } from '../checks/check'
import { propose } from '../answer/propose'
import { applyEdits } from './edit'
import { otherHalfEdits, sideEdits, sideWorked } from './halves'
import { trace } from './trace'
import { zoneEdits } from './zones'

const input = planInput({ school: 'brightLamp', named: ['grain'] })
const regions = fc.subarray([...REGION_IDS], { minLength: 1 })
const side = fc.constantFrom('L' as const, 'R' as const)
/** Work on skin, of which a zone can be told from another. */
const WORK = TECHNIQUE_IDS.filter(
  (id) =>
    TECHNIQUES[id].groups[0] !== 'body' && GROUPS[TECHNIQUES[id].groups[0] ?? 'body'].length > 0,
)
const work = fc.constantFrom(...WORK)
const halved = (step: PlanStep, half: 'L' | 'R', key: string): PlanStep => {
  const { half: _whole, ...own } = step
  return { ...own, key, ...onSide(step, half) }
}

describe('two halves of a face', () => {
  it('together are the whole of it, and meet nowhere', () => {
    fc.assert(
      fc.property(regions, (own) => {
        const [left, right] = [onSide({ regions: own }, 'L'), onSide({ regions: own }, 'R')]
        expect(areaOn(left) + areaOn(right)).toBeCloseTo(areaOf(own), 6)
        expect(common(left, right)).toEqual([])
        const bothWorked = left.regions.length > 0 && right.regions.length > 0
        expect(isOtherHalf(left, right)).toBe(bothWorked)
        for (const region of own)
          expect(
            [left, right].flatMap((where) =>
              where.regions.includes(region) ? sidesOn(where, region) : [],
            ),
          ).toEqual([...sidesOn({}, region)])
      }),
    )
  })
  it('are named as a half', () => {
    expect(nameWhere(onSide({ regions: GROUPS.face }, 'L'))).toBe('left half of the face')
    expect(nameWhere({ regions: ['nose'], half: 'R' })).toBe('right half of the nose')
    expect(nameWhere(onSide({ regions: ['cheekL', 'cheekR'] }, 'L'))).toBe('left cheek')
  })
  it('take what the whole takes, to the part of a measure that the hand rounds by', () => {
    const milk = input.shelf.find(({ product }) => product.kind === 'milk')?.product
    if (!milk) throw new Error('no milk on this shelf')
    const exact = (where: { regions: readonly RegionId[]; half?: 'L' | 'R' | undefined }) => {
      const { grams, roundingPercent } = doseOf(where, { ...milk, density: 1 }, {})
      return grams / (1 + roundingPercent / 100)
    }
    const whole = exact({ regions: GROUPS.face })
    const halves =
      exact(onSide({ regions: GROUPS.face }, 'L')) + exact(onSide({ regions: GROUPS.face }, 'R'))
    expect(halves / whole).toBeGreaterThan(0.98)
    expect(halves / whole).toBeLessThan(1.02)
  })
})

describe('what is asked of each half', () => {
  it('is what the same work asks of the whole: half against half costs the skin nothing more', () => {
    fc.assert(
      fc.property(work, (technique) => {
        const step = usualStep(technique)
        const whole = trace(input, [step]).totals
        const halves = trace(input, [
          halved(step, 'L', `${technique}-1`),
          halved(step, 'R', `${technique}-2`),
        ])
        // Warmth wears off and masks rest while the other half is worked.
        if (TECHNIQUES[technique].dwell) return
        for (const region of REGION_IDS) expect(halves.totals[region]).toBe(whole[region])
      }),
    )
  })
  it('is never the sum of both, and always that of what lies on the same half', () => {
    fc.assert(
      fc.property(work, work, (one, other) => {
        const [first, second] = [
          usualStep(one, { key: `${one}-1` }),
          usualStep(other, { key: `${other}-2` }),
        ]
        const alone = (step: PlanStep, half: 'L' | 'R') =>
          trace(input, [halved(step, half, step.key)]).totals.nose
        const apart = trace(input, [halved(first, 'L', first.key), halved(second, 'R', second.key)])
        const [asked = 0, also = 0] = apart.states.map(({ loads }) => loads.nose)
        expect(apart.states.at(-1)?.asked.nose).toBe(Math.max(asked, also))
        expect(apart.totals.nose).toBe(Math.max(asked, also) + input.residual.nose)
        expect(asked).toBeGreaterThanOrEqual(alone(first, 'L') - input.residual.nose)
        const same = trace(input, [halved(first, 'L', first.key), halved(second, 'L', second.key)])
        const sum = same.states.reduce((all, { loads }) => all + loads.nose, 0)
        expect(same.totals.nose).toBe(sum + input.residual.nose)
      }),
    )
  })
  it('what was washed on one half alone is not clean on the other', () => {
    const milk = (half?: 'L' | 'R') => {
      const step = usualStep('milk', { key: half ? `milk-${half}` : 'milk-1' })
      return half ? halved(step, half, step.key) : step
    }
    const then = usualStep('grain', { regions: ['forehead', 'nose', 'chin'] })
    const soil = (before: PlanStep[], half?: 'L' | 'R') =>
      trace(input, [...before, half ? { ...then, half } : then])
        .states.at(-1)
        ?.unmet.some(({ part }) => part === 'soil')
    const wash = { ...usualStep('secondCleanse', { key: 'secondCleanse-1' }) }
    const washed = halved(wash, 'L', 'secondCleanse-1')
    expect(soil([milk(), wash])).toBe(false)
    expect(soil([milk(), washed])).toBe(true)
    expect(soil([milk(), washed], 'L')).toBe(false)
    expect(soil([milk(), washed], 'R')).toBe(true)
  })
})

describe('a step on one half', () => {
  const steps = propose(input).steps
  const scrub = steps.find(({ technique }) => technique === 'grain' || technique === 'rollOff')
  it('comes to both again as it was, and from left to right by one choice', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...steps.filter((step) => step.regions.length > 0)),
        side,
        (step, half) => {
          const left = applyEdits(steps, sideEdits(steps, step.key, half))
          const own = left.find(({ key }) => key === step.key)
          if (!own) throw new Error('the step is gone')
          expect(sideWorked(own)).toBe(half)
          const other = half === 'L' ? 'R' : 'L'
          const turned = applyEdits(left, sideEdits(left, step.key, other)).find(
            ({ key }) => key === step.key,
          )
          expect(turned && sideWorked(turned)).toBe(other)
          const back = applyEdits(left, sideEdits(left, step.key, undefined)).find(
            ({ key }) => key === step.key,
          )
          expect(back?.half).toBeUndefined()
          for (const region of step.regions) expect(back?.regions).toContain(region)
        },
      ),
    )
  })
  it('with something else on the other half is one exfoliation, in one order, over no limit', () => {
    if (!scrub) throw new Error('nothing exfoliates in this plan')
    const left = applyEdits(steps, sideEdits(steps, scrub.key, 'L'))
    const both = applyEdits(left, otherHalfEdits(left, scrub.key))
    const twins = both.filter(({ technique }) => technique === scrub.technique)
    expect(twins.map((own) => sideWorked(own))).toEqual(['L', 'R'])
    const stops = (plan: readonly PlanStep[]) =>
      checkPlan(input, plan).findings.filter(
        ({ strength, rule }) => strength === 'stop' && rule !== 'over-slot',
      )
    expect(stops(both).map(({ text, rule }) => `${rule}: ${text}`)).toEqual([])
    expect(trace(input, both).exfoliations).toHaveLength(trace(input, steps).exfoliations.length)
    const twice = both.map((step) =>
      step.key === scrub.key ? { ...step, half: undefined, regions: scrub.regions } : step,
    )
    expect(trace(input, twice).exfoliations.length).toBe(
      trace(input, steps).exfoliations.length + 1,
    )
  })
  it('alone breaks nothing that the whole kept: what lies on one half comes off there', () => {
    const lies = (step: PlanStep) => step.regions.length > 0 && !TECHNIQUES[step.technique].removes
    fc.assert(
      fc.property(fc.constantFrom(...steps.filter(lies)), side, (step, half) => {
        // What makes the whole face ready does not on half of it; must-haves leave the other half bare.
        if (TECHNIQUES[step.technique].dwell === undefined) return
        const plan = applyEdits(steps, sideEdits(steps, step.key, half))
        const stops = checkPlan(input, plan).findings.filter(({ strength }) => strength === 'stop')
        expect(stops.map(({ text }) => text)).toEqual([])
      }),
    )
  })
  it('a mask on each half comes off by one and the same step', () => {
    const mask = steps.find(({ technique }) => TECHNIQUES[technique].dwell)
    if (!mask) return
    const left = applyEdits(steps, sideEdits(steps, mask.key, 'R'))
    const both = applyEdits(left, otherHalfEdits(left, mask.key))
    const { resting } = trace(input, both).schedule
    const own = resting.filter(({ technique }) => technique === mask.technique)
    expect(own.length).toBe(2)
    for (const rest of own) expect(rest.removed).toBe(true)
  })
  it('sun protection on one half alone leaves the other bare', () => {
    const sun = steps.find(({ technique }) => technique === 'sunProtection')
    if (!sun) throw new Error('no sun protection in this plan')
    const half = applyEdits(steps, sideEdits(steps, sun.key, 'L'))
    const bare = checkPlan({ ...input, daylight: true }, half).findings.find(
      ({ rule }) => rule === 'sun-covers',
    )
    expect(bare?.regions).toContain('nose')
    const mended = applyEdits(half, bare?.mends[0]?.edits ?? [])
    expect(
      checkPlan({ ...input, daylight: true }, mended).findings.map(({ rule }) => rule),
    ).not.toContain('sun-covers')
  })
  it('a zone of the other side makes it whole again', () => {
    const plan = [usualStep('grain', { key: 'grain-1', ...onSide({ regions: GROUPS.face }, 'L') })]
    const whole = applyEdits(plan, zoneEdits(plan, 'grain-1', 'cheekR'))
    expect(whole[0]?.half).toBeUndefined()
    expect(whole[0]?.regions).toContain('cheekR')
  })
  it('stays on its half where it is pinned, and both halves may be', () => {
    if (!scrub) throw new Error('nothing exfoliates in this plan')
    const [left, right] = [halved(scrub, 'L', 'grain-1'), halved(scrub, 'R', 'grain-2')]
    for (const pins of [[left], [left, right]]) {
      const again = propose({ ...input, pins: pins.map((pin) => ({ ...pin, pinned: true })) })
      const own = again.steps.filter(({ technique }) => technique === scrub.technique)
      expect(own.map((step) => sideWorked(step))).toEqual(pins.map((pin) => pin.half))
      expect(
        checkPlan(input, again.steps).findings.filter(({ strength }) => strength === 'stop'),
      ).toEqual([])
    }
  })
})
