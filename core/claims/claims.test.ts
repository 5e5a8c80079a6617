import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOME_STEPS } from '../catalogue/home/homeSteps'
import { HOME_NOTES, SEASON_NOTES } from '../catalogue/home/homeWords'
import { NIGHTS } from '../catalogue/home/nightRows'
import { AFTERCARE } from '../catalogue/rules/aftercare'
import { CLAIMS } from '../catalogue/rules/claims'
import { FORECASTS } from '../catalogue/rules/forecast'
import { OUTCOMES, SIGNS } from '../catalogue/rules/grading'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { claimsIn, putRight } from './claims'

/** Sentences that say what was done or is to be done, and promise nothing. */
const NEUTRAL = [
  'Sun protection every morning, two fingers long.',
  'No make-up until tomorrow morning.',
  'Your skin was exfoliated today.',
  'Call us on Monday between nine and five.',
  'We look forward to seeing you again.',
  'The mask stays on for fifteen minutes.',
  'Wash with lukewarm water and pat dry.',
  'Leave the retinoid out for five nights.',
  'A little redness today is usual.',
  'The clay draws oil to the surface.',
  'Bring your cream along next time.',
  'Pores look finer after cleansing.',
  'Massage eases tension at the jaw.',
  'Press the serum into damp skin.',
  'Do not pick at flaking skin.',
  'We are closed in July.',
  'Thank you for coming today.',
  'Your next visit is in four weeks.',
  'Use a clean towel and pillowcase.',
  '10 % off your next visit in spring.',
]

describe('claims in words for clients', () => {
  it('are found wherever one of their words stands, and put right in one go', () => {
    for (const row of CLAIMS)
      for (const word of row.words) {
        const text = `Our facial: ${word.replace('*', '')} and more.`
        const own = claimsIn(text).find(({ rule }) => rule === row.id)
        expect(own, word).toMatchObject({ grade: row.grade })
        const right = own ? putRight(text, own) : text
        expect(
          claimsIn(right).some(({ rule }) => rule === row.id),
          right,
        ).toBe(false)
      }
  })
  it('are no part of a neutral sentence', () => {
    for (const sentence of NEUTRAL) expect(claimsIn(sentence), sentence).toEqual([])
  })
  it('are numbers without a source, and not with one', () => {
    expect(claimsIn('Wrinkles down 40 % in a week.')[0]).toMatchObject({ rule: 'percent' })
    expect(claimsIn('Wrinkles down 40 % (study of 2019, 30 women).')).toEqual([])
  })
  it('stand in nothing that the product itself says to a client', () => {
    const own = [
      ...AFTERCARE.flatMap(({ sentence, why }) => [sentence, why]),
      ...FORECASTS.flatMap(({ sentence, advice }) => [sentence, advice]),
      ...Object.values(OUTCOMES).map(({ toClient }) => toClient),
      ...SIGNS.flatMap(({ asks, choices }) => [asks, ...choices.map(({ word }) => word)]),
      ...Object.values(HOME_STEPS).flatMap(({ how, why, amount }) => [how, why, amount]),
      ...Object.values(NIGHTS).flatMap(({ how, why, amount }) => [how, why, amount]),
      ...Object.values(HOME_NOTES),
      ...Object.values(SEASON_NOTES),
      ...Object.values(TECHNIQUES).flatMap(({ name, reason, say }) => [name, reason, say ?? '']),
    ]
    for (const sentence of own) expect(claimsIn(sentence), sentence).toEqual([])
  })
  it('never fail on any text at all', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => {
        for (const own of claimsIn(text)) expect(text).toContain(own.said)
      }),
    )
  })
})
