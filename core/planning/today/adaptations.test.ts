import { describe, expect, it } from 'vitest'
import { PREFERENCES } from '../../catalogue/consultation/preferences'
import { ADAPTATIONS, type Adaptation } from '../../catalogue/skin/adaptations'
import { PRODUCT_KINDS } from '../../catalogue/kinds'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { screen } from '../../screening/verdict/verdict'
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
const SCENTED = PRODUCT_KINDS.map((productKind) => ({
  product: product(productKind, productKind, { ...ACIDS[productKind], inci: ['Aqua', 'Parfum'] }),
  lots: [lot(productKind)],
}))
const plain = (more: Parameters<typeof planInput>[0] = {}): PlanInput =>
  planInput({ readings: readAll(PLAIN), makeUp: [], age: 35, ...more })

/** A client for whom the row's own test holds, and nothing else is changed. */
function firing(adaptation: Adaptation): PlanInput {
  const { when } = adaptation
  if ('reading' in when)
    return plain({
      readings: readAll({
        ...PLAIN,
        [when.reading]: (when.atLeast ?? when.atMost ?? 0) as Grade,
      } as never),
    })
  if ('ageFrom' in when) return plain({ age: when.ageFrom })
  if ('makeUp' in when) return plain({ makeUp: when.makeUp })
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
  if ('aim' in when) return plain({ aims: [when.aim] })
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
    ...(adaptation.avoid ? { shelf: SCENTED } : {}),
  })
}
function typed(type: string): Readings {
  const oily = { ...PLAIN, oil: 4 as Grade }
  return type === 'oily'
    ? readAll(oily)
    : type === 'dry'
      ? readAll({ ...PLAIN, oil: 1 })
      : readAll({ ...PLAIN, oil: 1 }, { forehead: oily, nose: oily, chin: oily })
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
    techniques.map((technique) => {
      const left = allowance(technique, input, undefined, rows)
      return [
        technique,
        [...left.barred].map(([key, value]) => [key, value.map((why) => why.rule)]),
        left.minutesMost,
        left.passesMost,
        left.setting,
        left.favour,
        left.favourLayout,
        left.adapted.map((why) => why.rule),
        left.products.length,
        isSensitive(input.profile, rows)('nose'),
      ]
    }),
  )

describe('adaptations', () => {
  for (const adaptation of ADAPTATIONS) {
    const without = ADAPTATIONS.filter((other) => other.id !== adaptation.id)
    it(`${adaptation.id}: ${adaptation.sentence}`, () => {
      const input = firing(adaptation)
      // Fires: the row, and nothing but the row, makes the difference. Switched off, this fails.
      expect(decided(input, adaptation.techniques, ADAPTATIONS)).not.toBe(
        decided(input, adaptation.techniques, without),
      )
      // Does not fire on skin that does not call for it.
      const calm = plain(adaptation.avoid ? { shelf: SCENTED } : {})
      expect(decided(calm, adaptation.techniques, ADAPTATIONS)).toBe(
        decided(calm, adaptation.techniques, without),
      )
      expect(adaptation.source.length).toBeGreaterThan(5)
    })
  }
  it('does in each row just what it says', () => {
    for (const adaptation of ADAPTATIONS) {
      const input = firing(adaptation)
      const techniques = adaptation.techniques[0] ?? 'steam'
      const own = allowance(techniques, input)
      if (adaptation.leaveOut)
        expect(
          [...own.barred.values()].flat().map((why) => why.rule),
          adaptation.id,
        ).toContain(adaptation.id)
      if (adaptation.minutesMost !== undefined)
        expect(own.minutesMost, adaptation.id).toBeLessThanOrEqual(adaptation.minutesMost)
      if (adaptation.passesMost !== undefined)
        expect(own.passesMost, adaptation.id).toBeLessThanOrEqual(adaptation.passesMost)
      if (adaptation.settingMost !== undefined)
        expect(own.setting?.most, adaptation.id).toBeLessThanOrEqual(adaptation.settingMost)
      if (adaptation.settingLeast !== undefined)
        expect(own.setting?.start, adaptation.id).toBeGreaterThanOrEqual(adaptation.settingLeast)
      if (adaptation.avoid !== undefined)
        expect(
          productTrouble(product('serum', 'x', { inci: ['Parfum'] }), [lot('x')], input).map(
            (productBar) => productBar.rule,
          ),
          adaptation.id,
        ).toContain(adaptation.id)
    }
  })
  it('never let sensitivity or an answer make anything more liked', () => {
    for (const adaptation of ADAPTATIONS)
      if (
        ('reading' in adaptation.when &&
          (adaptation.when.reading === 'sensitivity' || adaptation.when.reading === 'redness')) ||
        'driedBy' in adaptation.when
      )
        expect(adaptation.favour ?? 0, adaptation.id).toBeLessThanOrEqual(0)
  })
})

describe('how the client lives', () => {
  it('moves the plan or says what to do about it, choice by choice; only what is usual says nothing', () => {
    const usual = [
      'none',
      'calm',
      'some',
      'any',
      'flat',
      'free',
      'file',
      'medium',
      'warm',
      'neutral',
      'enough',
    ]
    for (const { id, about, choices } of PREFERENCES.filter((own) => own.about === 'life'))
      for (const { value, does } of choices) {
        const rows = ADAPTATIONS.filter(
          ({ when }) => 'life' in when && when.life[0] === id && when.life[1] === value,
        )
        expect(
          rows.length > 0 || does !== undefined || usual.includes(value),
          `${about}: ${id} ${value}`,
        ).toBe(true)
      }
  })
})
