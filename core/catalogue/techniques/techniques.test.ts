import { describe, expect, it } from 'vitest'
import { allowance } from '../../planning/today/allowed'
import { compile } from '../../planning/question/compile'
import { canPin } from './traits'
import { GROUPS } from '../../face/regions'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { FILMS } from '../products/products'
import { PRODUCT_KINDS, STAGE_IDS } from '../kinds'
import { methodOf } from '../schools/schools'
import { mannerOf, strokesFor } from './strokes'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from './techniques'

/**
 * A resilient, congested skin in the evening or by day, everything in the house: each technique of
 * the table has its place there.
 */
const everything = (daylight: boolean, without: readonly TechniqueId[] = []) =>
  planInput({
    daylight,
    readings: readAll({ ...RESILIENT, congestion: 4 }),
    school: 'brightLamp',
    policy: { camps: {}, without },
  })
const offeredBy = (input: ReturnType<typeof planInput>) =>
  new Set(
    compile(input).stages.flatMap((s) => s.options.flatMap((o) => o.moves.map((m) => m.technique))),
  )
/** Connecting steps, which the planner puts between others. */
const CONNECTING: readonly TechniqueId[] = ['blot', 'rinse', 'wait']

describe('every technique', () => {
  const all = new Set([...offeredBy(everything(true)), ...offeredBy(everything(false))])
  for (const id of TECHNIQUE_IDS)
    it(`${id} has its place, and none when the house does not offer it`, () => {
      const t = TECHNIQUES[id]
      expect(t.id).toBe(id)
      expect(STAGE_IDS).toContain(t.stage)
      if (!CONNECTING.includes(id)) expect(all.has(id), 'offered').toBe(true)
      // Switched off: nothing that does it is offered any more, and why is said.
      if (canPin(id)) {
        for (const daylight of [true, false])
          expect([...offeredBy(everything(daylight, [id]))]).not.toContain(id)
        expect(allowance(id, everything(true, [id])).never[0]?.rule).toBe('house-without')
        expect(allowance(id, everything(true)).never.map((w) => w.rule)).not.toContain(
          'house-without',
        )
      }
    })
  it('says hand, cue, reason and source, and keeps its minutes in order', () => {
    for (const t of Object.values(TECHNIQUES)) {
      for (const text of [t.hand, t.cue, t.reason, t.source])
        expect(text.length, t.id).toBeGreaterThan(4)
      for (const m of t.minutes.choices) {
        expect(m).toBeGreaterThanOrEqual(t.minutes.least)
        expect(m).toBeLessThanOrEqual(t.minutes.most)
      }
      if (t.dwell) {
        expect(t.dwell.earliest, t.id).toBe(t.dwell.sensitive.earliest)
        expect(t.dwell.sensitive.latest).toBeLessThanOrEqual(t.dwell.latest)
      }
      if (t.setting)
        expect([t.setting.least <= t.setting.start, t.setting.start <= t.setting.most]).toEqual([
          true,
          true,
        ])
      if (t.removedBy) expect(TECHNIQUES[t.removedBy].removes, t.id).toBe(true)
      if (
        t.families.some((f) =>
          ['abrasion', 'acid', 'needling', 'blade', 'friction', 'enzyme'].includes(f),
        )
      )
        expect(t.load, t.id).toBeDefined()
    }
    for (const k of PRODUCT_KINDS)
      expect(Object.values(TECHNIQUES).some((t) => t.product === k) || k === 'emulsifier', k).toBe(
        true,
      )
    expect(Object.keys(FILMS)).toHaveLength(PRODUCT_KINDS.length)
  })
  it('tells the hand where to go: never down the cheek, drainage down the neck, a ring at the eye', () => {
    for (const t of Object.values(TECHNIQUES))
      for (const s of strokesFor(t, GROUPS.faceNeckDecollete))
        if (s.regions.includes('cheekL')) expect(s.text, t.id).not.toMatch(/down/)
    expect(strokesFor(TECHNIQUES.massage, ['neck'])[0]?.text).toMatch(
      /down the sides to the collarbone/,
    )
    expect(strokesFor(TECHNIQUES.moisturiser, ['neck'])[0]?.text).toMatch(/upwards/)
    expect(mannerOf(TECHNIQUES.eyeProduct)?.order).toMatch(/nothing on the lid/)
    expect(mannerOf(TECHNIQUES.handsArms)).toBeUndefined()
    expect(methodOf('brightLamp').taste.tip).toBeGreaterThan(0)
  })
})
