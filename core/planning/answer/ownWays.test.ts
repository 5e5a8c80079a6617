import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NEAREST } from '../../catalogue/techniques/ownTrouble'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type OwnWay, type TechniqueId } from '../../catalogue/techniques/techniques'
import { screen } from '../../screening/verdict/verdict'
import { allNo, planInput } from '../../testing/fixtures'
import { atLeastLooked } from '../../testing/looked'
import { keptWay, withWay } from '../../testing/ownWays'
import { inputOfPerson, person } from '../../testing/randomPeople'
import { checkPlan } from '../checks/check'
import type { PlanInput } from '../input'
import { applyEdits } from '../steps/edit'
import { addByHand } from './addByHand'
import { leftOut } from './leftOut'
import { propose } from './propose'

/** Half as many people as the full run draws. */
const SHARE = process.env.OAK_FULL ? 1 : 0.5

/** Techniques that plans often hold, with and without a device, a rest, passes and a dial. */
const OFTEN: readonly TechniqueId[] = [
  ...(['steam', 'enzyme', 'massage', 'hydratingMask', 'clay', 'creamMask', 'tip'] as const),
  ...(['extraction', 'highFrequency', 'redLamp', 'acidMask', 'spatula', 'cold'] as const),
]
const way = fc.constantFrom(...OFTEN).chain(keptWay)
/** Somebody, and a way of something that their plan holds. */
const metBy = person.chain((who) => {
  const held = propose(inputOfPerson(who)).steps.map(({ technique }) => technique)
  const own = held.filter((id) => NEAREST.includes(id))
  return fc.tuple(
    fc.constant(who),
    fc.constantFrom(...(own.length > 0 ? own : OFTEN)).chain(keptWay),
  )
})
const plain = (steps: readonly PlanStep[]): PlanStep[] =>
  steps.map(({ own: _own, ...step }) => step)
const stops = (input: PlanInput, steps: readonly PlanStep[]) =>
  checkPlan(input, steps).findings.filter(({ strength }) => strength === 'stop')

describe("plans with a technique of the house's own", () => {
  it('are fit, and no less fit where the technique itself is done instead', () => {
    let looked = 0
    fc.assert(
      fc.property(metBy, ([who, own]) => {
        const input = inputOfPerson(who)
        const house = withWay(input, own)
        const { steps, failed } = propose(house)
        if (failed) return
        const mine = steps.filter((step) => step.own)
        looked += mine.length
        expect(stops(house, steps)).toEqual([])
        // A house whose own device stands in for one that it has not got: the nearest is put there.
        const device = TECHNIQUES[own.from].device
        const devices = [...input.devices, ...(device ? [device] : [])]
        expect(stops({ ...input, devices }, plain(steps))).toEqual([])
        for (const step of steps) if (step.technique === own.from) expect(step.own).toEqual(own)
        for (const step of mine) {
          const row = techniqueOf(step)
          expect(step.minutes).toBeGreaterThanOrEqual(row.minutes.least)
          expect(step.minutes).toBeLessThanOrEqual(row.minutes.most)
          expect(step.passes ?? 0).toBeLessThanOrEqual(row.passes?.limit ?? 0)
          expect(step.regions.filter((region) => own.never.includes(region))).toEqual([])
          const rest = checkPlan(house, steps).trace.schedule.resting.find(
            ({ key }) => key === step.key,
          )
          if (rest) expect(rest.end - rest.start).toBeLessThanOrEqual(row.dwell?.latest ?? 0)
        }
      }),
      { numRuns: 60 * SHARE },
    )
    expect(looked).toBeGreaterThan(atLeastLooked(10))
  })

  it('differ by nothing but its name where it has no bound of its own', () => {
    fc.assert(
      fc.property(metBy, ([who, { id, name, from }]) => {
        const input = inputOfPerson(who)
        const own: OwnWay = { id, name, from, usual: true, never: [] }
        const { steps } = propose(withWay(input, own))
        const named = (step: PlanStep) => ({ ...step, why: step.why.map(({ rule }) => rule) })
        expect(plain(steps).map(named)).toEqual(propose(input).steps.map(named))
      }),
      { numRuns: 40 * SHARE },
    )
  })

  it('are as they were while it is only taken by hand', () => {
    fc.assert(
      fc.property(person, way, (who, own) => {
        const input = inputOfPerson(who)
        const device = TECHNIQUES[own.from].device
        const usual = { ...own, usual: false }
        const ready = device === undefined || input.devices.includes(device)
        if (!ready && own.device) return
        expect(propose(withWay(input, usual)).steps).toEqual(propose(input).steps)
      }),
      { numRuns: 20 * SHARE },
    )
  })

  it('say by hand what is beyond its bounds', () => {
    fc.assert(
      fc.property(way, (own) => {
        const input = withWay(planInput({ slotMinutes: 120 }), own)
        const edits = addByHand(input, propose(input).steps, { technique: own.from, own })
        const steps = applyEdits(propose(input).steps, edits)
        const step = steps.find((other) => other.own)
        if (!step) throw new Error('it was put in')
        const { minutes, passes } = techniqueOf(step)
        const over = (patch: Partial<PlanStep>) =>
          checkPlan(
            input,
            steps.map((other) => (other.key === step.key ? { ...other, ...patch } : other)),
          ).findings.flatMap(({ key, rule }) => (key === step.key ? [rule] : []))
        const longer = (minutes.most + 0.5) as PlanStep['minutes']
        const tooLong = ['minutes-range', 'heat-limit']
        expect(over({ minutes: longer }).some((rule) => tooLong.includes(rule))).toBe(true)
        if (passes) expect(over({ passes: passes.limit + 1 })).toContain('pass-limit')
        if (own.never[0]) expect(over({ regions: [own.never[0]] })).toContain('house-never')
      }),
      { numRuns: 60 * SHARE },
    )
  })

  const dome: OwnWay = {
    ...{ id: 'way-1', name: 'Amber steam', from: 'steam', usual: false, never: [] },
    device: {
      ...{ id: 'own-1', name: 'Amber dome', from: 'steamer', also: [] },
      ...{ loadPercent: 100, cleaning: 'Wiped.' },
    },
  }
  const house = planInput({
    slotMinutes: 90,
    aims: ['congestion'],
    named: ['steam'],
    ways: [dome],
  })
  const steamOf = (input: PlanInput) =>
    propose(input).steps.find(({ technique }) => technique === 'steam')

  it('take the device of their own where the nearest does not stand ready', () => {
    const without = { ...house, devices: house.devices.filter((kind) => kind !== 'steamer') }
    expect(steamOf(house)?.own).toBeUndefined()
    expect(steamOf(house)).toBeDefined()
    expect(steamOf({ ...without, devices: [...without.devices, 'own-1'] })?.own).toEqual(dome)
    expect(steamOf(without)).toBeUndefined()
  })

  it('hold a step to what the house has made stricter since it was planned', () => {
    const own: OwnWay = { ...dome, usual: true, minutesMost: 8 }
    const devices = [...house.devices, 'own-1' as const]
    const { steps } = propose({ ...house, ways: [own], devices })
    const planned = steps.map((step) =>
      step.own ? { ...step, minutes: 7 as PlanStep['minutes'] } : step,
    )
    const said = (ways: OwnWay[]) =>
      checkPlan({ ...house, ways, devices }, planned).findings.map(({ text }) => text)
    expect(said([own]).filter((text) => text.startsWith('Amber steam'))).toEqual([])
    expect(said([{ ...own, minutesMost: 5 }])).toContain('Amber steam: 5 min at most')
    expect(said([{ ...own, never: ['forehead'] }]).join()).toContain(
      'Amber steam on forehead: never there in this practice',
    )
    // One that is no longer offered stays as it was planned.
    expect(said([]).filter((text) => text.startsWith('Amber steam'))).toEqual([])
  })

  it('bar what its device counts as besides, want what lies under it, and start at its levels', () => {
    const levels = { least: 35, most: 45, step: 5 }
    const kind = { ...dome.device, levels, also: ['covering'], medium: 'waterGel' } as const
    const own = { ...dome, usual: true, device: kind } as OwnWay
    const devices = [...house.devices, 'own-1' as const]
    const mine = { ...house, ways: [own], devices }
    expect(steamOf(mine)?.setting).toBeGreaterThanOrEqual(levels.least)
    const noGel = mine.shelf.filter(({ product: { kind: own } }) => own !== 'waterGel')
    expect(steamOf({ ...mine, shelf: noGel })?.own).toBeUndefined()
    const answers = allNo({ closedSpaces: { say: 'yes' } })
    const uneasy = { ...mine, answers, verdict: screen(answers, mine.today) }
    expect(steamOf(uneasy)?.own).toBeUndefined()
  })

  it('give it its own longest time where that is shorter than the usual one', () => {
    const usual = { name: 'Evening massage', from: 'massage', usual: true, never: [] } as const
    for (const minutesMost of [4, 8, 8.5, 12]) {
      const own: OwnWay = { id: 'way-2', ...usual, minutesMost }
      const { steps } = propose(planInput({ slotMinutes: 60, aims: ['rest'], ways: [own] }))
      const step = steps.find(({ technique }) => technique === 'massage')
      expect(step, `${minutesMost}`).toMatchObject({ own })
      expect(step?.minutes).toBeLessThanOrEqual(minutesMost)
      expect(step?.minutes).toBeGreaterThanOrEqual(Math.min(minutesMost, 10))
    }
  })

  it('leave it out while another room has its device, and say so', () => {
    const usual = { ...dome, usual: true }
    const inUse = [
      { kind: 'own-1' as const, name: 'Amber dome', from: 0, to: 90, words: 'in the Stove room' },
    ]
    const devices = [...house.devices.filter((kind) => kind !== 'steamer'), 'own-1' as const]
    const busy = { ...house, ways: [usual], devices, inUse }
    expect(steamOf(busy)).toBeUndefined()
    const said = leftOut(busy, propose(busy).steps).flatMap(({ technique, why }) =>
      technique === 'steam' ? [why.text] : [],
    )
    expect(said).toEqual(['the Amber dome is in the Stove room'])
  })
})
