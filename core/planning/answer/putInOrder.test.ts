import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { checkPlan } from '../checks/check'
import { propose } from './propose'
import { isLink } from '../steps/link'
import { putInOrder, taken } from './putInOrder'
import { atLeastLooked } from '../../testing/looked'

const input = planInput({ school: 'warmCloth', aims: ['rest', 'congestion'] })
const sound = propose(input).steps
const order = (steps: readonly PlanStep[]) =>
  checkPlan(input, steps).findings.filter((finding) => finding.strength !== 'advise')
const move = (steps: readonly PlanStep[], technique: string, to: number) => {
  const own = steps.filter((step) => step.technique === technique)
  const rest = steps.filter((step) => step.technique !== technique)
  return [...rest.slice(0, to), ...own, ...rest.slice(to)]
}
const mains = (steps: readonly PlanStep[]) =>
  steps
    .filter((step) => !isLink(step))
    .map((step) => step.key)
    .sort()

describe('the nearest lawful order', () => {
  it('offers nothing where the order stands', () => {
    expect(putInOrder(input, sound)).toBeUndefined()
  })
  it.each(['eyesOff', 'secondReading', 'massage', 'milk', 'moisturiser', 'sunProtection'])(
    'puts %s back, whole and in one step, and moves nothing else',
    (technique) => {
      for (const to of [0, 3, sound.length - 2]) {
        const wrong = move(sound, technique, to)
        const offer = putInOrder(input, wrong)
        if (order(wrong).length === 0) continue
        if (!offer) continue
        const mended = taken(wrong, offer)
        expect(order(mended), `${technique} at ${to}`).toEqual([])
        expect(offer.moved).toHaveLength(1)
      }
    },
  )
  it('of plans shaken at random keeps every main step, and leaves no more wrong than before', () => {
    let offered = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...SCHOOL_IDS),
        fc.array(fc.tuple(fc.nat(40), fc.nat(40)), { minLength: 1, maxLength: 4 }),
        (school, swaps) => {
          const own = planInput({ school, aims: ['congestion', 'rest', 'dehydration'] })
          const steps: PlanStep[] = [...propose(own).steps]
          for (const [from, to] of swaps) {
            const [step] = steps.splice(from % steps.length, 1)
            if (step) steps.splice(to % (steps.length + 1), 0, step)
          }
          const offer = putInOrder(own, steps)
          if (!offer) return
          offered++
          const after = taken(steps, offer)
          expect(mains(after)).toEqual(mains(steps))
          const stops = (plan: readonly PlanStep[]) =>
            checkPlan(own, plan).findings.filter((finding) => finding.strength === 'stop').length
          expect(stops(after)).toBeLessThanOrEqual(stops(steps))
        },
      ),
      { numRuns: process.env.OAK_FULL ? 400 : 50, seed: 11 },
    )
    expect(offered).toBeGreaterThanOrEqual(atLeastLooked(21))
  })
  it.each([
    {
      name: 'crystals and what cleanses them off',
      own: planInput({ readings: readAll(RESILIENT), named: ['crystals'], slotMinutes: 90 }),
      pair: ['crystals', 'secondCleanse'],
    },
    {
      name: 'needling and the disinfecting before it',
      own: planInput({
        school: 'brightLamp',
        aims: ['firmness'],
        protocol: [
          { technique: 'needling', minutes: 10 },
          { technique: 'redLamp', minutes: 10 },
        ],
      }),
      pair: ['disinfect', 'needling'],
    },
  ])('brings together again, whichever strayed: $name', ({ own, pair }) => {
    const { steps } = propose(own)
    const places = pair.map((id) => steps.findIndex(({ technique }) => technique === id))
    expect(Math.min(...places)).toBeGreaterThan(0)
    let offered = 0
    for (const place of places)
      for (let to = 0; to < steps.length; to++) {
        const [stray] = steps.slice(place)
        const wrong = steps.toSpliced(place, 1).toSpliced(to, 0, ...(stray ? [stray] : []))
        const offer = putInOrder(own, wrong)
        if (!offer) continue
        offered++
        const left = checkPlan(own, taken(wrong, offer)).findings
        const against = left.filter(({ strength }) => strength !== 'advise')
        expect(
          against.map(({ rule }) => rule),
          `${stray?.technique} to ${to}`,
        ).toEqual([])
      }
    expect(offered).toBeGreaterThan(steps.length)
  })
  it('keeps what rests together with its removal', () => {
    const mask = sound.find((step) => TECHNIQUES[step.technique].stage === 'mask')
    if (!mask) throw new Error('the plan has no mask')
    const at = sound.findIndex((step) => step.key === mask.key)
    const off = sound.findIndex((step, i) => i > at && TECHNIQUES[step.technique].removes === true)
    const wrong = [
      ...sound.slice(0, 2),
      ...sound.slice(at, off + 1),
      ...sound.slice(2, at),
      ...sound.slice(off + 1),
    ]
    const offer = putInOrder(input, wrong)
    expect(offer).toBeDefined()
    if (offer) expect(order(taken(wrong, offer))).toEqual([])
  })
})
