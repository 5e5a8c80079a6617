import { describe, expect, it } from 'vitest'
import { VISIT_SUMS } from '../../catalogue/rules/sums'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { screen } from '../../screening/verdict/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { checkPlan } from './check'
import { compile } from '../question/compile'
import type { Option } from '../question/planCase'
import { sumMost } from './sums'

const pregnant = allNo({ pregnancy: { say: 'yes' } })
const tender = allNo({ asthma: { say: 'yes' } })

/** Minutes of one sum in an option: its hands, and what rests for as long as it does. */
const inOption = (option: Option, families: readonly string[]): number =>
  option.moves
    .filter((move) => TECHNIQUES[move.technique].families.some((own) => families.includes(own)))
    .reduce((sum, move) => sum + (move.dwell ?? move.minutes), 0)

describe('sums over a visit', () => {
  it('are never passed by any choice of options: at most of each stage they stay within', () => {
    for (const school of SCHOOL_IDS)
      for (const pace of ['even', 'unhurried', 'quick'])
        for (const answers of [allNo(), pregnant, tender]) {
          const input = planInput({
            school,
            policy: { camps: { pace }, without: [] },
            answers,
            verdict: screen(answers, TODAY),
            slotMinutes: 120,
            aims: ['congestion', 'firmness', 'breakouts'],
            readings: readAll({ ...RESILIENT, congestion: 4, spots: 1 }),
          })
          const { stages } = compile(input)
          for (const sum of VISIT_SUMS) {
            const greatest = stages.reduce(
              (total, stage) =>
                total + Math.max(0, ...stage.options.map((own) => inOption(own, sum.families))),
              0,
            )
            expect(greatest, `${sum.id}, ${school}, ${pace}`).toBeLessThanOrEqual(
              sumMost(sum, input),
            )
          }
        }
  })
  it('are lower where the answers limit steam', () => {
    const heat = VISIT_SUMS[0]
    if (!heat) throw new Error('no sum of heat')
    expect(sumMost(heat, planInput())).toBe(12)
    expect(sumMost(heat, { verdict: screen(pregnant, TODAY) })).toBe(5)
  })
  it('are found from the first minute over, by the last step that is one too many', () => {
    const heats = (...lengths: readonly number[]) => {
      const steps = lengths.map((length, at) =>
        usualStep('steam', { key: `steam-${at}`, minutes: minutes(length) }),
      )
      const heat = VISIT_SUMS[0]
      return checkPlan(planInput({ slotMinutes: 90 }), steps).findings.filter(
        ({ rule }) => rule === heat?.id,
      )
    }
    expect(heats(6, 6)).toEqual([])
    expect(heats(6, 6.5).map(({ key }) => key)).toEqual(['steam-1'])
    expect(heats(6, 6.5)[0]?.text).toContain('12.5 min of 12.')
    // One step alone has a limit of its own; it is no sum.
    expect(heats(20)).toEqual([])
  })
})
