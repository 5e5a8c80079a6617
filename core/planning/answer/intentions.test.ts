import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { INTENTIONS } from '../../catalogue/rules/intentions'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { isMain } from '../../catalogue/techniques/traits'
import { inputOfPerson, person, type Person } from '../../testing/randomPeople'
import { isWork } from '../../testing/stresses'
import { intentionsOf } from '../agenda/intentions'
import { propose } from './propose'

const RUNS = process.env.OAK_FULL ? Number(process.env.OAK_RUNS ?? 1500) : 80
/** Common practice: main steps an hour at most, intentions by length, rungs without a name. */
const MAINS_AN_HOUR = 15
const CARRIES: Readonly<Record<number, number>> = { 30: 1, 45: 1, 60: 2, 75: 2, 90: 3 }
const UNNAMED_RUNG = 2

const planned = (who: Person, school = who.school) => {
  const input = inputOfPerson({ ...who, school })
  return { input, steps: propose(input).steps }
}
const rungs = (steps: readonly { technique: TechniqueId }[]) =>
  steps.map(({ technique }) => TECHNIQUES[technique].rung ?? 0)

/** Somebody who asks for no work by its name: that is an intention of its own. */
const unnamed = person.map((who): Person => ({ ...who, named: [] }))

describe('a visit is for what was asked', () => {
  it('has no work that no intention of it works with', () => {
    fc.assert(
      fc.property(unnamed, (who) => {
        const { input, steps } = planned(who)
        const workers = intentionsOf(input).flatMap(({ id }) =>
          INTENTIONS[id].lines.flatMap((line) => line.workers),
        )
        // A minute of warmth before an extraction comes with that.
        const helpers = steps.flatMap(({ technique }) => TECHNIQUES[technique].warmedBy ?? [])
        for (const { technique } of steps.filter((step) => isWork(step.technique)))
          expect([...workers, ...helpers]).toContain(technique)
      }),
      { numRuns: RUNS },
    )
  })
  it('carries what its length bears, the first asked for first; the reading adds one at most', () => {
    fc.assert(
      fc.property(unnamed, (who) => {
        const all = intentionsOf(inputOfPerson(who))
        expect(all.length).toBeGreaterThan(0)
        expect(all.length).toBeLessThanOrEqual(CARRIES[who.slotMinutes] ?? 0)
        const asked = all.filter(({ by }) => by === 'client').map(({ id }) => id)
        expect(asked).toEqual(who.aims.slice(0, asked.length))
        expect(all.filter(({ by }) => by === 'reading').length).toBeLessThanOrEqual(1)
      }),
    )
  })
  it('is rest and hands where a quiet hour was asked for first and nothing else has room', () => {
    fc.assert(
      fc.property(unnamed, (who) => {
        const { steps } = planned({ ...who, aims: ['rest'], slotMinutes: 45 })
        expect(Math.max(0, ...rungs(steps))).toBe(0)
        for (const { technique } of steps.filter((step) => isWork(step.technique)))
          expect(['massage', 'warm'], technique).toContain(TECHNIQUES[technique].stage)
      }),
      { numRuns: RUNS },
    )
  })
  it('is for the same in every school, and none goes up a rung by itself', () => {
    fc.assert(
      fc.property(unnamed, (who) => {
        const sets = SCHOOL_IDS.map((school) => intentionsOf(planned(who, school).input))
        for (const own of sets) expect(own).toEqual(sets[0])
        for (const school of SCHOOL_IDS)
          expect(Math.max(0, ...rungs(planned(who, school).steps))).toBeLessThanOrEqual(
            UNNAMED_RUNG,
          )
      }),
      { numRuns: RUNS / 4 },
    )
  })
})

describe('restraint in an hour', () => {
  it('no more main steps than hands do well, one exfoliation, one thing while something rests', () => {
    fc.assert(
      fc.property(unnamed, (who) => {
        const { steps } = planned(who)
        const mains = steps.filter(({ technique }) => isMain(technique))
        expect(mains.length).toBeLessThanOrEqual(
          (MAINS_AN_HOUR * Math.max(60, who.slotMinutes)) / 60,
        )
        expect(rungs(steps).filter((rung) => rung > 0).length).toBeLessThanOrEqual(1)
        const fillers = new Set(
          steps.flatMap(({ technique }) => (TECHNIQUES[technique].fillsFrom ? [technique] : [])),
        )
        expect(fillers.size).toBeLessThanOrEqual(1)
      }),
      { numRuns: RUNS },
    )
  })
})
