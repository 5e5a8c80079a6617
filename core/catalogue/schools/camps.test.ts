import { describe, expect, it } from 'vitest'
import { compile } from '../../planning/question/compile'
import type { PlanInput } from '../../planning/input'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { campOf, POINTS } from './camps'
import { handOf, methodOf, outspoken, SCHOOL_IDS, SCHOOLS } from './schools'
import { TECHNIQUES } from '../techniques/techniques'

const input = (point: string, camp: string): PlanInput =>
  planInput({
    readings: readAll({ ...RESILIENT, oil: 3, congestion: 3 }),
    daylight: false,
    policy: { camps: { [point]: camp }, without: [] },
  })
/**
 * All that a method decides, as text: the case it compiles to, the words of the hand, the linen.
 */
const decided = (i: PlanInput) => {
  const m = methodOf(i.school, i.policy)
  return JSON.stringify([
    compile(i),
    Object.values(TECHNIQUES).map((t) => handOf(m, t)),
    m.camps.removal.linen,
  ])
}

describe('where schools differ', () => {
  for (const p of POINTS)
    it(`${p.title}: each camp is its own way of working`, () => {
      expect(p.camps.some((c) => c.id === p.default)).toBe(true)
      const all = p.camps.map((c) => decided(input(p.id, c.id)))
      expect(new Set(all).size).toBe(p.camps.length)
      for (const c of p.camps) {
        expect(c.sentence.length).toBeGreaterThan(4)
        expect(c.reason.length).toBeGreaterThan(4)
      }
    })
  it('lets the house decide over its school, and nothing decided is the school', () => {
    for (const s of SCHOOL_IDS) {
      expect(methodOf(s)).toEqual(methodOf(s, { camps: {}, without: [] }))
      for (const [point, camp] of Object.entries(SCHOOLS[s].camps))
        expect(methodOf(s).camps[point as 'steam'].id).toBe(camp)
      expect(methodOf(s, { camps: { steam: 'seldom' }, without: [] }).taste.steam).toBeLessThan(0)
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
    for (const s of SCHOOL_IDS)
      expect(
        outspoken(methodOf(s), 1).filter((t) => outspoken(methodOf(s), -1).includes(t)),
      ).toEqual([])
  })
  it("keeps a school's liking of one thing below what a first-ranked aim can add", () => {
    // A full effect of a first-ranked aim: 100 × returns of about 90 ticks of effect is 26 000;
    // liking is scaled by four.
    for (const s of SCHOOL_IDS)
      for (const n of Object.values(methodOf(s).taste))
        expect(Math.abs(n) * 4, s).toBeLessThanOrEqual(16_000)
  })
})
