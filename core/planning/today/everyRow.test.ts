import { describe, expect, it } from 'vitest'
import {
  CONTRAINDICATIONS,
  type Contraindication,
} from '../../catalogue/consultation/contraindications'
import { FINDINGS } from '../../catalogue/consultation/findings'
import { INGREDIENTS, INGREDIENT_IDS } from '../../catalogue/products/ingredients'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import { REGION_IDS } from '../../face/zones'
import { toleranceOf } from '../../load/tolerance'
import type { Answer } from '../../screening/asking/answers'
import { confirmationsFor } from '../../screening/consent/confirm'
import { addDays } from '../../screening/asking/days'
import { screen } from '../../screening/verdict/verdict'
import { allNo, lot, planInput, product, TODAY } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { checkPlan, freshStep } from '../checks/check'
import { trayFor } from '../../tray/tray'
import { allowance } from './allowed'
import { productTrouble } from './bottles'

/** A bottle for each family of ingredients, so that a row about bottles has something to stop. */
const SHELF = [
  ...planInput().shelf,
  ...INGREDIENT_IDS.map((id) => ({
    product: product('serum', `holds-${id}`, { inci: [INGREDIENTS[id].words[0] ?? id] }),
    lots: [lot(`holds-${id}`)],
  })),
]
/** A plain yes, with whatever the row asks further. */
function yesTo(row: Contraindication): Answer {
  const { asks } = FINDINGS[row.finding]
  const date = addDays(TODAY, Math.min(1, row.ahead ?? 0))
  return {
    say: 'yes',
    ...(row.days !== undefined || row.ahead !== undefined || asks.includes('date') ? { date } : {}),
    ...(row.work === undefined ? {} : { work: [row.work] }),
    ...(row.substances === 'answered' ? { substances: ['honey'] } : {}),
  } as Answer
}
function inputFor(row: Contraindication, say: Answer['say'], rows = CONTRAINDICATIONS) {
  const answers = allNo({ [row.finding]: say === 'yes' ? yesTo(row) : { say } })
  return planInput({ answers, verdict: screen(answers, TODAY, rows), shelf: SHELF })
}
/** Everything that a row could change, as words: by technique, by bottle, by zone, and for the room. */
function consequences(input: ReturnType<typeof planInput>): string[] {
  const { verdict } = input
  return [
    ...verdict.prevented.map((bar) => `no visit: ${bar.rule}`),
    ...verdict.throughout.map(({ rule }) => `position: ${rule}`),
    ...TECHNIQUE_IDS.flatMap((id) => {
      const { never, barred, minutesMost, passesMost } = allowance(id, input)
      const confirms = confirmationsFor(TECHNIQUES[id], verdict)
      return [
        ...never.map((why) => `${id} not: ${why.rule}`),
        ...[...barred].map(([region, why]) => `${id} not on ${region}: ${why.length}`),
        ...confirms.map((one) => `${id} first: ${one.rule}`),
        `${id} at most ${minutesMost} min, ${passesMost} passes`,
      ]
    }),
    ...SHELF.flatMap(({ product: own, lots }) =>
      productTrouble(own, lots, input).map((bar) => `${own.id} stays: ${bar.rule}`),
    ),
    ...REGION_IDS.map(
      (region) =>
        `${region} bears ${toleranceOf(input.profile, region, verdict.limit.tolerancePercent).hundredths}`,
    ),
  ]
}

describe('no rule without an effect', () => {
  const counts = new Map<string, number>()
  for (const row of CONTRAINDICATIONS)
    it(`${row.id}: told, it changes what may be done; switched off, it does not`, () => {
      const told = consequences(inputFor(row, 'yes'))
      const off = consequences(
        inputFor(
          row,
          'yes',
          CONTRAINDICATIONS.filter((other) => other.id !== row.id),
        ),
      )
      const changed = told.filter((one) => !off.includes(one))
      counts.set(row.id, changed.length)
      expect(changed, row.sentence).not.toEqual([])
      expect(consequences(inputFor(row, 'no'))).toEqual(consequences(planInput({ shelf: SHELF })))
    })
  it('says how many consequences there are in all', () => {
    const sum = [...counts.values()].reduce((total, count) => total + count, 0)
    console.log(`≈ ${counts.size} rows of the consultation change ${sum} things that may be done`)
    expect(counts.size).toBe(CONTRAINDICATIONS.length)
  })
  it('a plan made by hand past a row is found out, technique by technique', () => {
    let found = 0
    for (const row of CONTRAINDICATIONS) {
      const input = inputFor(row, 'yes')
      const plan = propose(planInput({ shelf: SHELF })).steps
      for (const id of TECHNIQUE_IDS) {
        if (!allowance(id, input).never.some((why) => why.rule === row.id)) continue
        const step = freshStep(id, planInput({ shelf: SHELF }))
        if (!step) continue
        const steps = [...plan, { ...step, key: `${id}-by-hand` }]
        const rules = checkPlan(input, steps).findings.map((finding) => finding.rule)
        expect(rules, `${id} in spite of ${row.id}`).toContain(row.id)
        found++
      }
    }
    expect(found).toBeGreaterThan(CONTRAINDICATIONS.length)
  })
  it('what has to be seen to is laid out, planned with its word, and waited for', () => {
    const rows = CONTRAINDICATIONS.filter((row) => row.confirm !== undefined)
    expect(rows.length).toBeGreaterThanOrEqual(2)
    for (const row of rows) {
      const input = inputFor(row, 'yes')
      const technique = TECHNIQUE_IDS.find((id) =>
        row.families.some((family) => TECHNIQUES[id].families.includes(family)),
      )
      const step = technique && freshStep(technique, input)
      if (!step) throw new Error(`nothing to do by ${row.id}`)
      const tray = trayFor(input, [{ ...step, key: 'one' }])
      expect(tray.confirms.map(({ say }) => say)).toContain(row.confirm)
      expect(allowance(step.technique, input).adapted.map((why) => why.rule)).toContain(row.id)
    }
  })
})
