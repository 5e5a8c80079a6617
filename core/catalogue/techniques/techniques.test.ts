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
const everything = (
  daylight: boolean,
  without: readonly TechniqueId[] = [],
  named: readonly TechniqueId[] = TECHNIQUE_IDS,
) =>
  planInput({
    daylight,
    slotMinutes: 120,
    readings: readAll({ ...RESILIENT, congestion: 4, texture: 3, lines: 3 }),
    // Hands leave alone what was taken out before: what goes after them is asked for without that.
    aims: named.length === 1 ? ['congestion', 'dullness', 'lines'] : ['lines'],
    named,
    school: 'brightLamp',
    policy: { camps: named.includes('armCare') ? { underMask: 'product' } : {}, without },
    shelf: planInput().shelf.map((own) =>
      // A remover that leaves oil behind is what damp pads are there for.
      own.product.kind === 'eyeRemover' && named.includes('dampPads')
        ? { ...own, product: { ...own.product, inci: ['Isododecane'] } }
        : own,
    ),
  })
const offeredBy = (input: ReturnType<typeof planInput>) =>
  new Set(
    compile(input).stages.flatMap((stage) =>
      stage.options.flatMap((option) => option.moves.map((move) => move.technique)),
    ),
  )
/** Connecting steps, which the planner puts between others. */
const CONNECTING: readonly TechniqueId[] = ['blot', 'rinse', 'dampen', 'wait']

describe('every technique', () => {
  // Each asked for by its name: what nobody asks for has its place only in its intention.
  const all = new Set(
    TECHNIQUE_IDS.flatMap((id) =>
      [true, false].flatMap((daylight) => [
        ...offeredBy(everything(daylight, [], [id, ...(TECHNIQUES[id].straightAfter ?? [])])),
      ]),
    ),
  )
  for (const id of TECHNIQUE_IDS)
    it(`${id} has its place, and none when the house does not offer it`, () => {
      const technique = TECHNIQUES[id]
      expect(technique.id).toBe(id)
      expect(STAGE_IDS).toContain(technique.stage)
      if (!CONNECTING.includes(id)) expect(all.has(id), 'offered').toBe(true)
      // Switched off: nothing that does it is offered any more, and why is said.
      if (canPin(id)) {
        for (const daylight of [true, false])
          expect([...offeredBy(everything(daylight, [id]))]).not.toContain(id)
        expect(allowance(id, everything(true, [id])).never[0]?.rule).toBe('house-without')
        expect(allowance(id, everything(true)).never.map((why) => why.rule)).not.toContain(
          'house-without',
        )
      }
    })
  it('says hand, cue, reason and source, and keeps its minutes in order', () => {
    for (const technique of Object.values(TECHNIQUES)) {
      for (const text of [technique.hand, technique.cue, technique.reason, technique.source])
        expect(text.length, technique.id).toBeGreaterThan(4)
      for (const choice of technique.minutes.choices) {
        expect(choice).toBeGreaterThanOrEqual(technique.minutes.least)
        expect(choice).toBeLessThanOrEqual(technique.minutes.most)
      }
      if (technique.dwell) {
        expect(technique.dwell.earliest, technique.id).toBe(technique.dwell.sensitive.earliest)
        expect(technique.dwell.sensitive.latest).toBeLessThanOrEqual(technique.dwell.latest)
      }
      if (technique.setting)
        expect([
          technique.setting.least <= technique.setting.start,
          technique.setting.start <= technique.setting.most,
        ]).toEqual([true, true])
      if (technique.removedBy)
        expect(TECHNIQUES[technique.removedBy].removes, technique.id).toBe(true)
      if (
        technique.families.some((family) =>
          ['abrasion', 'acid', 'needling', 'blade', 'friction', 'enzyme'].includes(family),
        )
      )
        expect(technique.load, technique.id).toBeDefined()
    }
    for (const productKind of PRODUCT_KINDS)
      expect(
        Object.values(TECHNIQUES).some(
          ({ product, takesAlso }) =>
            product === productKind || (takesAlso?.includes(productKind) ?? false),
        ),
        productKind,
      ).toBe(true)
    expect(Object.keys(FILMS)).toHaveLength(PRODUCT_KINDS.length)
  })
  it('tells the hand where to go: never down the cheek, drainage down the neck, a ring at the eye', () => {
    for (const technique of Object.values(TECHNIQUES))
      for (const stroke of strokesFor(technique, GROUPS.faceNeckDecollete))
        if (stroke.regions.includes('cheekL')) expect(stroke.text, technique.id).not.toMatch(/down/)
    expect(strokesFor(TECHNIQUES.massage, ['neck'])[0]?.text).toMatch(
      /down the sides to the collarbone/,
    )
    expect(strokesFor(TECHNIQUES.moisturiser, ['neck'])[0]?.text).toMatch(/upwards/)
    expect(mannerOf(TECHNIQUES.eyeProduct)?.minds).toMatch(/nothing on the lid/)
    expect(mannerOf(TECHNIQUES.handsArms)).toBeUndefined()
    expect(methodOf('brightLamp').taste.tip).toBeGreaterThan(0)
  })
})
