import { describe, expect, it } from 'vitest'
import {
  CONTRAINDICATIONS,
  type Contraindication,
} from '../../catalogue/consultation/contraindications'
import { FINDINGS } from '../../catalogue/consultation/findings'
import { PRODUCT_KINDS } from '../../catalogue/kinds'
import { INGREDIENTS, ingredientsNamed } from '../../catalogue/products/ingredients'
import { outOfReach } from '../../catalogue/techniques/reach'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS, zonesOf } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Answer } from '../../screening/asking/answers'
import { addDays } from '../../screening/asking/days'
import { screen } from '../../screening/verdict/verdict'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { trayFor } from '../../tray/tray'
import { unconfirmed } from '../../treatment/fold/confirm'
import { confirmationsFor } from '../../screening/consent/confirm'
import { checkPlan } from '../checks/check'
import { compile } from '../question/compile'
import { allowance } from './allowed'
import type { PlanInput } from '../input'

/** What the client says, on one zone where zones are asked after. */
function told(row: Contraindication, region: RegionId): Answer {
  const { asks } = FINDINGS[row.finding]
  const dated = row.days !== undefined || row.ahead !== undefined || asks.includes('date')
  return {
    say: 'yes',
    ...(dated ? { date: addDays(TODAY, Math.min(1, row.ahead ?? 0)) } : {}),
    ...(asks.includes('zones') ? { zones: [...zonesOf(region)].slice(0, 1) } : {}),
    ...(row.work === undefined ? {} : { work: [row.work] }),
    ...(row.substances === 'answered' ? { substances: ['honey'] } : {}),
  } as Answer
}
/** Skin on which every technique has its reason, and nothing but the answer is in the way. */
const READY = readAll({ ...RESILIENT, oil: 3, congestion: 3, texture: 3, lines: 3, pigment: 1 })
function inputFor(row: Contraindication, region: RegionId, rows = CONTRAINDICATIONS): PlanInput {
  const answers = allNo({ [row.finding]: told(row, region) })
  return planInput({
    answers,
    verdict: screen(answers, TODAY, rows),
    readings: READY,
    past: TECHNIQUE_IDS.map((id) => ({
      day: '2025-01-01',
      families: [],
      regions: [],
      techniques: [id],
      taken: 'badly',
    })),
  })
}
/** Where the rule of the trade stops a technique: it is of the row's kinds, and there. */
const stops = (row: Contraindication, id: TechniqueId, region: RegionId): boolean =>
  row.does !== 'restricts' &&
  row.families.some((family) => TECHNIQUES[id].families.includes(family)) &&
  (row.where === 'whole' || row.where === 'answered' || row.where.includes(region))
const reached = (id: TechniqueId): RegionId[] =>
  REGION_IDS.filter(
    (region) =>
      TECHNIQUES[id].groups.some((group) => GROUPS[group].includes(region)) &&
      !outOfReach(TECHNIQUES[id].families).includes(region),
  )
const byHand = (technique: TechniqueId, region: RegionId): PlanStep => ({
  key: 'by-hand',
  technique,
  regions: [region],
  minutes: TECHNIQUES[technique].minutes.least,
  why: [],
})
/** Why a technique may not be done on a region. */
function whysIn(input: PlanInput) {
  const of = perKey((id: TechniqueId) => allowance(id, input))
  return (id: TechniqueId, region: RegionId): string[] => {
    const { never, barred } = of(id)
    return [...never, ...(barred.get(region) ?? [])].map((why) => why.rule)
  }
}
/** One visit with a row, and the same with that row switched off. */
function withAndWithout(row: Contraindication, region: RegionId) {
  const input = inputFor(row, region)
  const rows = CONTRAINDICATIONS.filter((other) => other.id !== row.id)
  return {
    input,
    moves: compile(input).stages.flatMap((stage) => stage.options.flatMap(({ moves }) => moves)),
    whys: whysIn(input),
    whysWithout: whysIn(inputFor(row, region, rows)),
  }
}
/** Made once for each key, and given again. */
function perKey<Key, Value>(make: (key: Key) => Value): (key: Key) => Value {
  const made = new Map<Key, Value>()
  return (key) => {
    if (!made.has(key)) made.set(key, make(key))
    return made.get(key) as Value
  }
}

describe('each row, each technique, each region', () => {
  it('what is told stops the planner and is found by the checker there, and only by that row', () => {
    let looked = 0
    let stopped = 0
    for (const row of CONTRAINDICATIONS.filter((own) => own.families.length > 0)) {
      // Where no zone is asked after, one visit answers for all regions.
      const asksZones = FINDINGS[row.finding].asks.includes('zones')
      const visitFor = perKey((region: RegionId) => withAndWithout(row, region))
      for (const region of REGION_IDS) {
        const { input, moves, whys, whysWithout } = visitFor(asksZones ? region : REGION_IDS[0])
        const planned = moves
          .filter((move) => move.regions.includes(region))
          .map((move) => move.technique)
        for (const id of TECHNIQUE_IDS) {
          if (!reached(id).includes(region)) continue
          looked++
          if (!stops(row, id, region)) continue
          stopped++
          const say = `${row.id}: ${id} on ${region}`
          const told = whys(id, region)
          expect(planned, say).not.toContain(id)
          expect(told, say).toContain(row.id)
          expect(whysWithout(id, region), `${say}, switched off`).not.toContain(row.id)
          // Of several rows the checker names the first.
          const found = checkPlan(input, [byHand(id, region)]).findings.filter(
            (finding) => finding.key === 'by-hand' && finding.strength === 'stop',
          )
          expect(
            found.some((finding) => told.includes(finding.rule)),
            say,
          ).toBe(true)
        }
      }
    }
    console.log(`≈ ${looked} rows × techniques × regions looked at, ${stopped} of them stopped`)
    expect(stopped).toBeGreaterThan(1000)
  })
})

describe('each row, each kind of product', () => {
  it('a bottle with what a row stops is on no plan and no tray; switched off, it is', () => {
    let looked = 0
    for (const row of CONTRAINDICATIONS.filter((own) => own.substances !== undefined)) {
      const words = row.substances === 'answered' ? ['honey'] : (row.substances ?? [])
      for (const word of words)
        for (const family of ingredientsNamed(word))
          for (const kind of PRODUCT_KINDS) {
            const held = product(kind, `${kind}-with`, {
              inci: ['Aqua', INGREDIENTS[family].words[0] ?? word],
            })
            const shelf = [{ product: held, lots: [lot(held.id)] }]
            const technique = TECHNIQUE_IDS.find((id) => TECHNIQUES[id].product === kind)
            if (!technique) continue
            const input = { ...inputFor(row, 'forehead'), shelf }
            const rows = CONTRAINDICATIONS.filter((other) => other.id !== row.id)
            const off = { ...inputFor(row, 'forehead', rows), shelf }
            const step = { ...byHand(technique, 'forehead'), productId: held.id }
            const say = `${row.id}: ${kind} with ${family}`
            looked++
            const used = compile(input).stages.flatMap((stage) =>
              stage.options.flatMap((option) => option.moves.map((move) => move.productId)),
            )
            expect(used, say).not.toContain(held.id)
            const onTray = (own: PlanInput) => trayFor(own, [step]).products[0]?.trouble ?? ''
            expect(onTray(input), say).not.toBe('')
            expect(onTray(input), say).not.toBe(onTray(off))
            expect(checkPlan(input, [step]).findings.map((finding) => finding.rule)).toContain(
              row.id,
            )
          }
    }
    console.log(`≈ ${looked} rows × kinds of product × ingredients looked at`)
    expect(looked).toBeGreaterThan(90)
  })
})

describe('each row that is confirmed first', () => {
  it('keeps the room from beginning the step until it is ticked', () => {
    let waited = 0
    for (const row of CONTRAINDICATIONS.filter((own) => own.confirm !== undefined))
      for (const id of TECHNIQUE_IDS) {
        if (!row.families.some((family) => TECHNIQUES[id].families.includes(family))) continue
        const { verdict } = inputFor(row, 'forehead')
        const step = byHand(id, 'forehead')
        const confirmsOf = () => confirmationsFor(TECHNIQUES[id], verdict).map(({ rule }) => rule)
        const waiting = (rules: readonly string[]) =>
          unconfirmed({ confirmed: { [step.key]: { rules } } }, { confirmsOf }, step)
        expect(waiting([]), `${row.id}: ${id}`).toContain(row.id)
        expect(waiting(confirmsOf()), `${row.id}: ${id}`).toEqual([])
        waited++
      }
    expect(waited).toBeGreaterThan(5)
  })
})
