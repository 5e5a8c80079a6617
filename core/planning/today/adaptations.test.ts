import { describe, expect, it } from 'vitest'
import { ADAPTATIONS, type Adaptation } from '../../catalogue/skin/adaptations'
import { PRODUCT_KINDS } from '../../catalogue/kinds'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { screen } from '../../screening/verdict'
import type { Grade, Readings } from '../../skin/readings'
import { ACIDS, allNo, lot, planInput, product, readAll, TODAY } from '../../testing/fixtures'
import { isSensitive } from './adapt'
import { productTrouble } from './bottles'
import { allowance } from './allowed'
import type { PlanInput } from '../input'

/**
 * Skin on which no row of the table holds: balanced, calm, smooth, neither young nor old,
 * bare-faced.
 */
const PLAIN = {
  oil: 2,
  water: 2,
  redness: 0,
  congestion: 2,
  sensitivity: 0,
  texture: 0,
  spots: 0,
} as const
const SCENTED = PRODUCT_KINDS.map((k) => ({
  product: product(k, k, { ...ACIDS[k], inci: ['Aqua', 'Parfum'] }),
  lots: [lot(k)],
}))
const plain = (more: Parameters<typeof planInput>[0] = {}): PlanInput =>
  planInput({ readings: readAll(PLAIN), madeUp: false, age: 35, ...more })

/** A client for whom the row's own test holds, and nothing else is changed. */
function firing(a: Adaptation): PlanInput {
  const { when } = a
  if ('reading' in when)
    return plain({
      readings: readAll({
        ...PLAIN,
        [when.reading]: (when.atLeast ?? when.atMost ?? 0) as Grade,
      } as never),
    })
  if ('ageFrom' in when) return plain({ age: when.ageFrom })
  if ('madeUp' in when) return plain({ madeUp: true })
  if ('season' in when) return plain({ season: when.season })
  if ('life' in when) return plain({ life: { [when.life[0]]: when.life[1] } })
  if ('driedBy' in when) {
    const answers = allNo({ [when.driedBy[0] ?? 'retinoid']: { say: 'yes' } })
    return plain({
      readings: readAll({ ...PLAIN, water: 1 }),
      answers,
      verdict: screen(answers, TODAY),
    })
  }
  if ('type' in when) return plain({ readings: typed(when.type[0] ?? 'oily') })
  return plain({
    readings: readAll({
      ...PLAIN,
      ...(
        {
          dehydrated: { water: 1 },
          sensitive: { sensitivity: 2 },
          marksEasily: { pigment: 3 },
        } as Record<string, object>
      )[when.condition],
    } as never),
    ...(a.avoid ? { shelf: SCENTED } : {}),
  })
}
function typed(type: string): Readings {
  const t = { ...PLAIN, oil: 4 as Grade }
  return type === 'oily'
    ? readAll(t)
    : type === 'dry'
      ? readAll({ ...PLAIN, oil: 1 })
      : readAll({ ...PLAIN, oil: 1 }, { forehead: t, nose: t, chin: t })
}

/**
 * Everything the table decides for these techniques, as text: what a row changes must be seen here.
 */
const decided = (
  input: PlanInput,
  techniques: readonly TechniqueId[],
  rows: readonly Adaptation[],
): string =>
  JSON.stringify(
    techniques.map((t) => {
      const a = allowance(t, input, undefined, rows)
      return [
        t,
        [...a.barred].map(([r, w]) => [r, w.map((x) => x.rule)]),
        a.minutesMost,
        a.passesMost,
        a.setting,
        a.favour,
        a.favourLayout,
        a.adapted.map((w) => w.rule),
        a.products.length,
        isSensitive(input.profile, rows)('nose'),
      ]
    }),
  )

describe('adaptations', () => {
  for (const a of ADAPTATIONS) {
    const without = ADAPTATIONS.filter((x) => x.id !== a.id)
    it(`${a.id}: ${a.sentence}`, () => {
      const input = firing(a)
      // Fires: the row, and nothing but the row, makes the difference. Switched off, this fails.
      expect(decided(input, a.techniques, ADAPTATIONS)).not.toBe(
        decided(input, a.techniques, without),
      )
      // Does not fire on skin that does not call for it.
      const calm = plain(a.avoid ? { shelf: SCENTED } : {})
      expect(decided(calm, a.techniques, ADAPTATIONS)).toBe(decided(calm, a.techniques, without))
      expect(a.source.length).toBeGreaterThan(5)
    })
  }
  it('does in each row just what it says', () => {
    for (const a of ADAPTATIONS) {
      const input = firing(a)
      const t = a.techniques[0] ?? 'steam'
      const own = allowance(t, input)
      if (a.leaveOut)
        expect(
          [...own.barred.values()].flat().map((w) => w.rule),
          a.id,
        ).toContain(a.id)
      if (a.minutesMost !== undefined)
        expect(own.minutesMost, a.id).toBeLessThanOrEqual(a.minutesMost)
      if (a.passesMost !== undefined) expect(own.passesMost, a.id).toBeLessThanOrEqual(a.passesMost)
      if (a.settingMost !== undefined)
        expect(own.setting?.most, a.id).toBeLessThanOrEqual(a.settingMost)
      if (a.settingLeast !== undefined)
        expect(own.setting?.start, a.id).toBeGreaterThanOrEqual(a.settingLeast)
      if (a.avoid !== undefined)
        expect(
          productTrouble(product('serum', 'x', { inci: ['Parfum'] }), [lot('x')], input).map(
            (b) => b.rule,
          ),
          a.id,
        ).toContain(a.id)
    }
  })
  it('never let sensitivity or an answer make anything more liked', () => {
    for (const a of ADAPTATIONS)
      if (
        ('reading' in a.when &&
          (a.when.reading === 'sensitivity' || a.when.reading === 'redness')) ||
        'driedBy' in a.when
      )
        expect(a.favour ?? 0, a.id).toBeLessThanOrEqual(0)
  })
})
