import { describe, expect, it } from 'vitest'
import { methodOf, handOf } from '#core/catalogue/schools/schools'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { propose } from '#core/planning/answer/propose'
import { notTaken } from '#core/planning/answer/protocolGaps'
import { checkPlan, isFit } from '#core/planning/checks/check'
import { buildRecord } from '#core/record/build'
import { aftercareCard } from '#core/aftercare/card'
import { done, roomOf } from '#core/testing/room'
import { trayFor } from '#core/tray/tray'
import { cueOf } from '#core/treatment/step/cue'
import { orderWords, sequenceOf } from '#core/treatment/step/sequence'
import { lot, product } from '#core/testing/fixtures'
import { usualStep } from '#core/testing/steps'
import type { Way } from './way'
import { WAYS } from './ways'

const told = (steps: readonly PlanStep[]) => steps.map(({ technique }) => technique).join(' · ')
/** Whether some techniques stand in a plan in this order, others between them. */
function inOrder(steps: readonly PlanStep[], wanted: Way['has']): string | undefined {
  let from = 0
  for (const id of wanted) {
    const at = steps.findIndex((step, i) => i >= from && step.technique === id)
    if (at < 0) return id
    from = at + 1
  }
  return undefined
}
/** A plan worked to its end, a tap a step. */
function worked(steps: readonly PlanStep[]) {
  let minute = 0
  return roomOf(
    steps,
    steps.map((step) => [(minute += step.minutes), done(step)] as const),
  )
}

function wayOf(name: string): Way {
  const found = WAYS.find((own) => own.name.startsWith(name))
  if (!found) throw new Error(`no way ${name}`)
  return found
}

describe('a way of working', () => {
  it('is one of twenty-one', () => {
    expect(WAYS).toHaveLength(21)
    expect(new Set(WAYS.map(({ name }) => name)).size).toBe(21)
  })
  it.each(WAYS)('$name: is planned whole, and fit', ({ input, has, hasNot = [] }) => {
    const { steps, failed } = propose(input)
    expect(failed).toBeUndefined()
    expect(inOrder(steps, has), told(steps)).toBeUndefined()
    for (const id of hasNot) expect(told(steps)).not.toContain(id)
    const check = checkPlan(input, steps)
    expect(check.findings.map(({ rule, text }) => `${rule}: ${text}`)).toEqual([])
    expect(isFit(check)).toBe(true)
    // Nothing is done twice on end, and what goes with a step is done once.
    steps.forEach((step, i) => {
      const before = steps[i - 1]
      if (before?.technique === step.technique)
        expect(TECHNIQUES[step.technique].removes, step.technique).toBe(true)
      if (TECHNIQUES[step.technique].straightAfter)
        expect(steps.filter(({ technique }) => technique === step.technique)).toHaveLength(1)
    })
  })
  it.each(WAYS)('$name: what of its list cannot be done is said with its reason', (own) => {
    const { steps } = propose(own.input)
    const missing = notTaken(own.input, steps, own.input.protocol ?? [])
    for (const { name, why } of missing) expect(why.text.length, name).toBeGreaterThan(10)
    const names = missing.map(({ technique }) => technique)
    for (const id of own.refused ?? []) expect(names, told(steps)).toContain(id)
    // Nothing that the way stands for is among what is refused.
    for (const id of own.has) expect(names).not.toContain(id)
  })
  it.each(WAYS)(
    '$name: lies on the tray, is told in the room, stands on the record',
    ({ input }) => {
      const { steps } = propose(input)
      const tray = trayFor(input, steps)
      for (const step of steps) {
        const technique = TECHNIQUES[step.technique]
        const laid = tray.products.some(({ productId }) => productId === step.productId)
        if (technique.product) expect(laid, technique.name).toBe(true)
        const bottle = input.shelf.find(({ product }) => product.id === step.productId)?.product
        const method = methodOf(input.school, input.policy)
        expect(handOf(method, technique).length).toBeGreaterThan(4)
        expect(cueOf(step, bottle).seen.length).toBeGreaterThan(2)
        if (technique.manner !== 'none' && step.regions.length > 1)
          expect(orderWords(step), technique.name).toMatch(/^[A-Z]/)
      }
      const state = worked(steps)
      expect(state.done.map(({ key }) => key)).toEqual(steps.map(({ key }) => key))
      const record = buildRecord({
        state,
        firstPlan: steps,
        lastPlan: steps,
        done: steps,
        shelf: input.shelf,
        dose: input,
        lotOf: () => null,
        alongOf: () => [],
      })
      expect(record.lines.map(({ key }) => key)).toEqual(steps.map(({ key }) => key))
      expect(record.lines.every(({ actualMinutes }) => actualMinutes !== null)).toBe(true)
      const card = aftercareCard(
        steps.map(({ technique }) => technique),
        input.daylight,
        0,
      )
      expect(card.length).toBeGreaterThan(0)
    },
  )
  it('takes an acid toner for the exfoliation of the visit, and plans it once', () => {
    const own = wayOf('many layers off')
    const { steps } = propose(own.input)
    const { trace } = checkPlan(own.input, steps)
    const toner = steps.find(({ technique }) => technique === 'tone')
    expect(trace.exfoliations).toEqual([toner?.key])
    // With vitamin C left on it is one of the two, not both.
    const bright = product('serum', 'bright', { inci: ['Aqua', 'Ascorbic Acid'] })
    const both = {
      ...own.input,
      shelf: [...own.input.shelf, { product: bright, lots: [lot('bright')] }],
    }
    const serum = usualStep('serum', { productId: 'bright', regions: toner?.regions ?? [] })
    const rules = checkPlan(both, [...steps.slice(0, -2), serum, ...steps.slice(-2)]).findings
    expect(rules.map(({ rule }) => rule)).toContain('pair-acid-active')
  })
  it('counts two halves worked side by side as one exfoliation, and two on one side as two', () => {
    const { input } = wayOf('two products side by side')
    const { steps } = propose(input)
    const [left, right] = [
      usualStep('grain', { key: 'left', regions: ['cheekL', 'jawL'] }),
      usualStep('spatula', { key: 'right', regions: ['cheekR', 'jawR'] }),
    ]
    const counted = (...own: readonly PlanStep[]) =>
      checkPlan(input, [...steps.slice(0, 6), ...own]).trace.exfoliations
    expect(counted(left, right)).toEqual(['left'])
    expect(counted(left, { ...right, regions: ['cheekR', 'nose'] })).toHaveLength(2)
    expect(counted(left, { ...right, regions: ['jawL'] })).toHaveLength(2)
  })
  it('ends on the neck where the stone goes up first and then the same way down', () => {
    const { steps } = propose(wayOf('a lift in the morning').input)
    const at = (id: PlanStep['technique']) => steps.findIndex(({ technique }) => technique === id)
    expect(at('drainDown')).toBeGreaterThan(at('stonesOnOil'))
    const down = steps[at('drainDown')]
    const zones = (down ? sequenceOf(down) : []).flatMap(({ place }) =>
      'region' in place ? [place.region] : [],
    )
    expect(zones.at(-1)).toBe('neck')
  })
  it('lays warm mitts and a cooler one, and buds for the lashes', () => {
    const linen = ({ input }: Way) =>
      trayFor(input, propose(input).steps).linen.map(({ name }) => name)
    expect(linen(wayOf('a warm mitt at night'))).toContain('warm mitts')
    expect(linen(wayOf('stage make-up'))).toContain('cotton buds')
  })
  it('is missed where what is special in it is not done in the house', () => {
    for (const { name, input, has } of WAYS) {
      const special = has.filter((id) => TECHNIQUES[id].byChoice)
      for (const id of special) {
        const policy = { camps: input.policy?.camps ?? {}, without: [id] }
        const { steps, failed } = propose({ ...input, policy })
        expect(failed, `${name} without ${id}`).toBeUndefined()
        expect(inOrder(steps, has), `${name} without ${id}`).toBeDefined()
      }
    }
  })
})
