import { describe, expect, it } from 'vitest'
import { compile } from '../../planning/question/compile'
import type { PlanInput } from '../../planning/input'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { campOf, POINTS } from './camps'
import { handOf, methodOf, outspoken, SCHOOL_IDS, SCHOOLS } from './schools'
import { TECHNIQUES } from '../techniques/techniques'

const OILY = { ...RESILIENT, oil: 3, congestion: 3 } as const
/** What a client asks for where the camps of a point differ; elsewhere what most do. */
const AIMS: Readonly<Record<string, PlanInput['aims']>> = {
  current: ['firmness'],
  finish: ['redness', 'rest'],
}
const input = (point: string, camp: string): PlanInput =>
  planInput({
    readings: readAll({ ...RESILIENT, congestion: 3 }, { forehead: OILY, nose: OILY, chin: OILY }),
    daylight: false,
    ...(point === 'current' ? { school: 'brightLamp' as const } : {}),
    aims: AIMS[point] ?? ['rest', 'shine', 'congestion'],
    slotMinutes: 90,
    firstVisit: point === 'firstVisit',
    policy: { camps: { [point]: camp }, without: [] },
  })
/**
 * All that a method decides, as text: the case it compiles to, the words of the hand, the linen.
 */
const decided = (i: PlanInput) => {
  const method = methodOf(i.school, i.policy)
  return JSON.stringify([
    compile(i),
    Object.values(TECHNIQUES).map((technique) => handOf(method, technique)),
    method.camps.removal.linen,
    method.camps.homeRhythm,
  ])
}

describe('where schools differ', () => {
  for (const point of POINTS)
    it(`${point.title}: each camp is its own way of working`, () => {
      expect(point.camps.some((camp) => camp.id === point.default)).toBe(true)
      const all = point.camps.map((camp) => decided(input(point.id, camp.id)))
      expect(new Set(all).size).toBe(point.camps.length)
      for (const camp of point.camps) {
        expect(camp.sentence.length).toBeGreaterThan(4)
        expect(camp.reason.length).toBeGreaterThan(4)
      }
    })
  it('lets the house decide over its school, and nothing decided is the school', () => {
    for (const school of SCHOOL_IDS) {
      expect(methodOf(school)).toEqual(methodOf(school, { camps: {}, without: [] }))
      for (const [point, camp] of Object.entries(SCHOOLS[school].camps))
        expect(methodOf(school).camps[point as 'steam'].id).toBe(camp)
      expect(
        methodOf(school, { camps: { steam: 'seldom' }, without: [] }).taste.steam,
      ).toBeLessThan(0)
    }
    expect(() => campOf('steam', 'hourly')).toThrow(RangeError)
  })
  it('says what a school likes and leaves, the strongest first', () => {
    const likes = outspoken(methodOf('brightLamp'), 1)
    expect(likes[0]).toBe('tip')
    expect(likes).not.toContain('spatula')
    expect(outspoken(methodOf('oilAndWater'), -1)).toEqual(
      expect.arrayContaining(['tip', 'crystals', 'needling']),
    )
    for (const school of SCHOOL_IDS)
      expect(
        outspoken(methodOf(school), 1).filter((technique) =>
          outspoken(methodOf(school), -1).includes(technique),
        ),
      ).toEqual([])
  })
  it("keeps a school's liking of one thing below what a first-ranked aim can add", () => {
    // A full effect of a first-ranked aim: 100 × returns of about 90 ticks of effect is 26 000;
    // liking is scaled by four.
    for (const school of SCHOOL_IDS)
      for (const amount of Object.values(methodOf(school).taste))
        expect(Math.abs(amount) * 4, school).toBeLessThanOrEqual(16_000)
  })
})
