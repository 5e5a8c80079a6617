import { describe, expect, it } from 'vitest'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import type { PlanInput } from '../input'
import { propose } from './propose'

const whysOf = (input: PlanInput, technique: TechniqueId) =>
  propose(input).steps.find((step) => step.technique === technique)?.why ?? []
const textsOf = (input: PlanInput, technique: TechniqueId) =>
  whysOf(input, technique).map(({ text }) => text)

describe('the reasons beside a step', () => {
  const usual = planInput({ aims: ['congestion', 'dehydration'], school: 'warmCloth' })

  it('name the aim that the step serves and none that was not asked for', () => {
    const aims = propose(usual).steps.flatMap((step) => step.why.map(({ rule }) => rule))
    expect(aims).toContain('aim-dehydration')
    for (const rule of aims.filter((one) => one.startsWith('aim-')))
      expect(['aim-congestion', 'aim-dehydration']).toContain(rule)
  })
  it('say what a connecting step is for: the one after it', () => {
    const connecting = propose(usual).steps.filter((step) => step.why[0]?.rule === 'surface')
    expect(connecting.length).toBeGreaterThan(0)
    for (const step of connecting) expect(step.why[0]?.text).toMatch(/ wants |:/)
  })
  it('say where a step is not done, and why not there', () => {
    const red = { ...RESILIENT, redness: 3 as const }
    const input = planInput({
      readings: readAll({ ...RESILIENT, congestion: 3 }, { cheekL: red, cheekR: red }),
      aims: ['congestion', 'dullness'],
      school: 'brightLamp',
    })
    const told = propose(input).steps.flatMap((step) => step.why.map(({ text }) => text))
    const places = told.filter((text) => text.startsWith('not on '))
    expect(places.some((text) => /cheek/.test(text))).toBe(true)
    for (const text of places) expect(text).toMatch(/^not on .+: .+/)
  })
  it('give the row of the technique last, so that none stands without one', () => {
    for (const step of propose(usual).steps) expect(step.why.length).toBeGreaterThan(0)
    expect(textsOf(usual, 'sunProtection').length).toBeGreaterThan(0)
  })
})
