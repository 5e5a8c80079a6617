import { describe, expect, it } from 'vitest'
import { propose } from '../../planning/answer/propose'
import { allowance } from '../../planning/today/allowed'
import { regionsTold } from '../../face/regions'
import { screen } from '../../screening/verdict/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { TECHNIQUES, TECHNIQUE_IDS } from '../techniques/techniques'

/** A beard area, as a client with shaving rash tells of it. */
const BEARD = ['jawL', 'jawR', 'chin', 'neckFront'] as const
const told = allNo({ shavingRash: { say: 'yes', zones: [...BEARD] } })
const readings = readAll({ ...RESILIENT, congestion: 3, texture: 3 })
const sore = regionsTold(BEARD)

describe('shaving rash', () => {
  it('keeps grains, acids, the tip, blades, suction and extraction off the sore zones, and off no other', () => {
    const input = planInput({
      answers: told,
      verdict: screen(told, TODAY),
      readings,
      aims: ['dullness'],
    })
    for (const id of ['grain', 'acidMask', 'tip', 'blade', 'vacuumDry', 'extraction'] as const) {
      const { barred } = allowance(id, input)
      for (const region of sore) {
        const reach = TECHNIQUES[id].groups.length > 0
        if (reach)
          expect(barred.get(region)?.map(({ rule }) => rule)).toContain('shaving-rash-local')
      }
      expect([...(barred.get('forehead') ?? [])].map(({ rule }) => rule)).not.toContain(
        'shaving-rash-local',
      )
    }
  })
  it('is still cleansed, masked and creamed there: it softens and calms', () => {
    const input = planInput({
      answers: told,
      verdict: screen(told, TODAY),
      readings,
      aims: ['redness'],
    })
    const { steps, failed } = propose(input)
    expect(failed).toBeUndefined()
    const on = (region: (typeof sore)[number]) =>
      steps.filter(({ regions }) => regions.includes(region)).map(({ technique }) => technique)
    for (const region of sore) {
      expect(on(region)).toContain('secondCleanse')
      expect(on(region)).toContain('moisturiser')
    }
    const OFF = ['friction', 'acid', 'abrasion', 'blade', 'extraction', 'vacuum']
    const worked = TECHNIQUE_IDS.filter((id) =>
      TECHNIQUES[id].families.some((family) => OFF.includes(family)),
    )
    for (const step of steps)
      if (worked.includes(step.technique))
        expect(step.regions.filter((region) => sore.includes(region))).toEqual([])
  })
})
