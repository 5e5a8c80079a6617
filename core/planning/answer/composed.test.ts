import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { inputOfPerson, person } from '../../testing/randomPeople'
import { composedOf } from './composed'
import { propose } from './propose'

describe('a plan as a visit', () => {
  it('holds every step once and in order, in the parts of the visit one after the other', () => {
    fc.assert(
      fc.property(person, (who) => {
        const input = inputOfPerson(who)
        const { steps } = propose(input)
        const { phases } = composedOf(input, steps)
        expect(phases.flatMap((phase) => phase.steps.map(({ step }) => step))).toEqual(steps)
        let first = 0
        for (const phase of phases) {
          expect(phase.first).toBe(first)
          expect(phase.steps.length).toBeGreaterThan(0)
          first += phase.steps.length
        }
        const order = ['open', 'work', 'rest', 'finish']
        const ids = phases.map(({ id }) => id)
        expect(ids).toEqual(order.filter((id) => ids.some((own) => own === id)))
        expect(phases.reduce((sum, phase) => sum + phase.minutes, 0)).toBeCloseTo(
          steps.reduce((sum, step) => sum + step.minutes, 0),
        )
      }),
      { numRuns: process.env.OAK_FULL ? 1000 : 100 },
    )
  })

  it('says at its head who asks, where the skin shows it, and what comes after it', () => {
    const nose = { ...RESILIENT, congestion: 4 as const }
    const input = planInput({
      readings: readAll(RESILIENT, { nose, forehead: { ...nose, congestion: 3 } }),
      aims: ['congestion', 'rest', 'shine'],
      slotMinutes: 60,
    })
    const { steps } = propose(input)
    const { intentions, later } = composedOf(input, steps)
    expect(intentions.map(({ name, words }) => [name, words])).toEqual([
      ['clogged pores', expect.stringMatching(/^asked for · congestion: nose 4; forehead.* 3$/)],
      ['a quiet hour', 'asked for'],
    ])
    expect(later).toEqual(['shine'])
  })

  it('says so where nothing works for a wish, and where nobody wished for anything', () => {
    const input = planInput({ readings: readAll(RESILIENT), aims: ['congestion'] })
    expect(composedOf(input, []).intentions.map(({ idle }) => idle)).toEqual([true])
    const nobody = planInput({ readings: readAll(RESILIENT), aims: [] })
    expect(composedOf(nobody, []).intentions[0]?.words).toMatch(/^no wish was named/)
  })

  it('lets a step that only connects stand with the one it stands before', () => {
    fc.assert(
      fc.property(person, (who) => {
        const input = inputOfPerson(who)
        const { phases } = composedOf(input, propose(input).steps)
        for (const { steps } of phases) {
          const last = steps[steps.length - 1]
          expect(last?.step.why[0]?.rule).not.toBe('surface')
        }
      }),
      { numRuns: 60 },
    )
  })
})
