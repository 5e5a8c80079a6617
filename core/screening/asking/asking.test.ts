import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FINDING_IDS, FINDING_ORDER, TOPIC_IDS } from '../../catalogue/consultation/findings'
import type { Answers } from './answers'
import { alertsOf } from '../verdict/alerts'
import { carriable, carriedOver, noToTheRest, openIn, questionsOf, sweepable } from './asking'

const say = fc.constantFrom('yes', 'no', 'unsure')
const answers = fc.dictionary(
  fc.constantFrom(...FINDING_IDS),
  fc.record({ say }),
) as fc.Arbitrary<Answers>

describe('asking', () => {
  it('asks every question in one topic', () => {
    expect(TOPIC_IDS.flatMap(questionsOf).sort()).toEqual([...FINDING_ORDER].sort())
  })
  it('never sweeps what was a yes or unsure, nor changes what is answered', () => {
    fc.assert(
      fc.property(answers, answers, fc.constantFrom(...TOPIC_IDS), (now, before, topic) => {
        const swept = noToTheRest(topic, now, before)
        for (const finding of FINDING_IDS) {
          if (now[finding]) expect(swept[finding]).toEqual(now[finding])
          else if (swept[finding]) expect(before[finding]?.say ?? 'no').toBe('no')
        }
        expect(openIn(topic, swept)).toBe(openIn(topic, now) - sweepable(topic, now, before).length)
      }),
    )
  })
  it('takes health and skin over, and today and lately never', () => {
    fc.assert(
      fc.property(answers, answers, (now, before) => {
        const over = carriedOver(now, before)
        for (const topic of TOPIC_IDS)
          for (const finding of questionsOf(topic))
            if (!now[finding] && over[finding]) expect(['health', 'skin']).toContain(topic)
        expect(carriable(over, before)).toEqual([])
      }),
    )
  })
  it('shows an alert for yes and for unsure, and says which', () => {
    expect(alertsOf({ pregnancy: { say: 'no' } })).toEqual([])
    const [sure] = alertsOf({ pregnancy: { say: 'yes' } })
    const [unsure] = alertsOf({ pregnancy: { say: 'unsure' } })
    expect(sure?.unsure).toBe(false)
    expect(unsure).toMatchObject({
      unsure: true,
      text: expect.stringContaining('ask before') as string,
    })
    expect(alertsOf({ allergy: { say: 'yes', substances: ['honey'] } })[0]?.text).toContain('honey')
  })
})
