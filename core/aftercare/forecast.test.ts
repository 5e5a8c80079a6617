import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FAMILY_IDS } from '../catalogue/kinds'
import { OUTCOME_IDS, SIGN_IDS, SIGNS, type SignId } from '../catalogue/rules/grading'
import { FORECASTS } from '../catalogue/rules/forecast'
import { REGION_IDS } from '../face/zones'
import { forecastOf } from './forecast'
import { outcomeOf, saysNotWell, signWords, unanswered, type SignAnswers } from './grading'

const HOUR = 3_600_000
const answers = fc.record(
  Object.fromEntries(
    SIGNS.map(({ id, choices }) => [id, fc.constantFrom(...choices.map(({ value }) => value))]),
  ),
) as fc.Arbitrary<SignAnswers>
const allowed = fc.subarray(FORECASTS.map(({ id }) => id))
const gravity = (own: SignAnswers, rules: readonly string[]) =>
  OUTCOME_IDS.indexOf(outcomeOf(own, rules))

describe('what may come', () => {
  it('says nothing after nothing, and flaking from the second to the fifth day after acid', () => {
    expect(forecastOf([], false, [], 0)).toEqual([])
    const lines = forecastOf([{ families: ['acid'], regions: ['nose'] }], false, [], 0)
    expect(lines.find(({ rule }) => rule === 'flaking')).toMatchObject({
      ...{ from: 48 * HOUR, until: 120 * HOUR, regions: ['nose'] },
    })
    expect(lines.map(({ rule }) => rule)).not.toContain('suction-dots')
  })
  it('calls pink for a day once, not for hours beside it; longer on skin that reddens easily', () => {
    const work = [{ families: ['abrasion', 'vacuum'] as const, regions: ['chin'] as const }]
    const rules = forecastOf(work, false, [], 0).map(({ rule }) => rule)
    expect(rules).toContain('pink-strong')
    expect(rules).not.toContain('pink')
    const until = (conditions: ('reactive' | 'mature')[]) =>
      forecastOf(work, false, conditions, 0).find(({ rule }) => rule === 'pink-strong')?.until
    expect(until(['reactive'])).toBe(48 * HOUR)
    expect(until(['mature'])).toBe(24 * HOUR)
  })
  it('never says less after more was done', () => {
    const work = fc.record({
      families: fc.subarray([...FAMILY_IDS]),
      regions: fc.subarray([...REGION_IDS], { minLength: 1 }),
    })
    fc.assert(
      fc.property(fc.array(work, { maxLength: 3 }), work, (some, more) => {
        const before = forecastOf(some, false, [], 0)
        const after = forecastOf([...some, more], false, [], 0)
        for (const line of before.filter(({ rule }) => rule !== 'pink'))
          expect(after.find(({ rule }) => rule === line.rule)?.until).toBe(line.until)
      }),
    )
  })
})

describe('an answer from home', () => {
  it('is graded no milder for a worse sign', () => {
    fc.assert(
      fc.property(answers, allowed, fc.constantFrom(...SIGN_IDS), (own, rules, id) => {
        const choices = SIGNS.find((sign) => sign.id === id)?.choices ?? []
        const place = choices.findIndex(({ value }) => value === own[id])
        for (const { value } of choices.slice(place))
          expect(gravity({ ...own, [id]: value }, rules)).toBeGreaterThanOrEqual(
            gravity(own, rules),
          )
      }),
      { numRuns: 500 },
    )
  })
  it('is graded no milder once less of it is foreseen', () => {
    fc.assert(
      fc.property(answers, allowed, allowed, (own, rules, others) => {
        const both = [...new Set([...rules, ...others])]
        expect(gravity(own, rules)).toBeGreaterThanOrEqual(gravity(own, both))
      }),
    )
  })
  it.each<[string, SignAnswers, string[], string]>([
    ['soft and calm', {}, [], 'expected'],
    ['pink the morning after the tip', { redness: 'little' }, ['pink-strong'], 'expected'],
    ['the same on day three', { redness: 'little' }, [], 'watch'],
    ['few spots where they usually are, foreseen', { spots: 'few' }, ['few-spots'], 'expected'],
    ['few spots in new places', { spots: 'few', spotsWhere: 'new' }, ['few-spots'], 'call'],
    ['spots that itch', { spots: 'few', itch: 'little' }, ['few-spots'], 'call'],
    ['flaking as foreseen', { feel: 'tight' }, ['flaking'], 'expected'],
    ['burning', { feel: 'burning' }, ['pink-strong'], 'call'],
    ['redness that spreads', { redness: 'spreading' }, ['pink-strong'], 'doctor'],
    ['blisters', { blisters: 'yes' }, [], 'doctor'],
    ['fever', { fever: 'yes' }, [], 'doctor'],
    ['eye trouble', { eyes: 'yes' }, [], 'doctor'],
    ['swollen lips', { swelling: 'lipsEyes' }, [], 'emergency'],
    ['trouble breathing', { breath: 'yes' }, [], 'emergency'],
  ])('%s is %s', (_, own, rules, outcome) => {
    expect(outcomeOf(own, rules)).toBe(outcome)
  })
  it('is told in the words of the question, and counts against the visit from a call on', () => {
    expect(signWords({ redness: 'strong', itch: 'none' })).toEqual(['Redness: strong'])
    expect(OUTCOME_IDS.filter(saysNotWell)).toEqual(['call', 'doctor', 'emergency'])
    const ids: string[] = SIGNS.map(({ id }) => id)
    expect(ids).toEqual([...(SIGN_IDS satisfies readonly SignId[])])
  })
})

describe('what is still to be asked', () => {
  const alone = SIGNS.filter(({ askedWith }) => askedWith === undefined)
  const mild = Object.fromEntries(alone.map(({ id, choices }) => [id, choices[0]?.value]))
  it('is everything at first, nothing once all is answered, and where they are of whoever has some', () => {
    expect(unanswered({})).toEqual(alone.map(({ id }) => id))
    expect(unanswered(mild)).toEqual([])
    for (const { id, askedWith } of SIGNS)
      if (askedWith !== undefined) {
        const some = SIGNS.find((sign) => sign.id === askedWith)?.choices[1]?.value
        expect(unanswered({ ...mild, [askedWith]: some })).toEqual([id])
      }
  })
})
