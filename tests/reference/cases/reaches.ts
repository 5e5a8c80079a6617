import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { exfoliates } from '#core/catalogue/techniques/traits'
import type { RegionId, ZoneId } from '#core/face/zones'
import { isLink } from '#core/planning/steps/link'
import { lot, planInput, product, readAll, RESILIENT } from '#core/testing/fixtures'
import { CP, none, not, nowhere, sees, yes, type Case, type Expectation } from './expectations'

const CONGESTED = { ...RESILIENT, congestion: 4, texture: 3 } as const

/** Nothing at all touches a zone: no product, pad, cloth, lamp or stone. */
const untouched = (region: RegionId): Expectation => ({
  says: `nothing on ${region}`,
  because: CP,
  holds: ({ steps }) =>
    steps.every(
      ({ technique, regions }) =>
        ['secondReading', 'wait'].includes(technique) || !regions.includes(region),
    ),
})
/** On a zone only these, and what connects and takes off. */
const onlyThere = (region: RegionId, techniques: readonly TechniqueId[]): Expectation => ({
  says: `on ${region} only ${techniques.map((id) => TECHNIQUES[id].name.toLowerCase()).join(', ')}`,
  because: CP,
  holds: ({ steps }) =>
    steps
      .filter((step) => !isLink(step) && step.regions.includes(region))
      .every(({ technique }) => techniques.includes(technique)),
})
const wound = (zone: ZoneId) => yes({ wound: { say: 'yes', zones: [zone] } })
const acidToner = product('toner', 'toner', {
  acid: { name: 'lactic', percent: 5 },
  pH: 3.8,
  inci: ['Aqua', 'Lactic Acid'],
})

/** What a bar reaches: local troubles, bottles, and answers that must bite. */
export const REACH_CASES: readonly Case[] = [
  {
    name: 'open skin on the left cheek: nothing on it, the rest goes on',
    input: planInput({ aims: ['dehydration'], ...wound('cheekL') }),
    expect: [untouched('cheekL'), sees('hydratingMask', CP), sees('sunProtection', CP)],
  },
  {
    name: 'open skin on an eyelid: nothing near that eye',
    input: planInput({ aims: ['dehydration', 'puffyEyes'], ...wound('lidR') }),
    expect: [untouched('eyes'), not('eyesOff', CP)],
  },
  {
    name: 'an unexplained mark on the nose: nothing on it, and no lamp or steam over it',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'breakouts'],
      readings: readAll(CONGESTED),
      ...yes({ unexplainedSpot: { say: 'yes', zones: ['nose'] } }),
    }),
    expect: [untouched('nose'), none(['steam', 'blueLamp', 'redLamp'], CP)],
  },
  {
    name: 'eczema on the cheeks: a bland cleanse and cream there, nothing else',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'firmness'],
      readings: readAll({ ...RESILIENT, texture: 3 }),
      ...yes({ eczema: { say: 'yes', zones: ['cheekL', 'cheekR'] } }),
    }),
    expect: [
      none(['steam', 'blueLamp', 'redLamp'], CP),
      ...(['cheekL', 'cheekR'] as const).map((region) =>
        onlyThere(region, [
          'milk',
          'secondReading',
          'secondCleanse',
          'moisturiser',
          'sunProtection',
        ]),
      ),
    ],
  },
  {
    name: "surgery at the jaw: the surgeon's word before any pressure or cold there",
    input: planInput({
      aims: ['puffyFace', 'firmness'],
      ...yes({
        recentTreatment: { say: 'yes', zones: ['jawL', 'jawR'], work: ['surgery'] },
      }),
    }),
    expect: [
      nowhere(
        ['massage', 'toningMassage', 'stones', 'cold', 'microcurrent', 'vacuumGlide'],
        ['jawL', 'jawR'],
        CP,
      ),
    ],
  },
  {
    name: 'vessels on the cheeks: a towel on the forehead does not reach them',
    input: planInput({
      school: 'warmCloth',
      aims: ['congestion'],
      readings: readAll({ ...RESILIENT, congestion: 1 }, { nose: CONGESTED, chin: CONGESTED }),
      ...yes({ visibleVessels: { say: 'yes', zones: ['cheekL', 'cheekR'] } }),
    }),
    expect: [not('steam', CP), nowhere(['warmTowel'], ['cheekL', 'cheekR'], CP)],
  },
  {
    name: 'an acid toner, and a retinoid three nights ago: the toner is an acid wherever it goes',
    input: planInput({
      aims: ['dullness'],
      shelf: planInput().shelf.map((item) =>
        item.product.kind === 'toner' ? { product: acidToner, lots: [lot('toner')] } : item,
      ),
      ...yes({ retinoid: { say: 'yes', date: '2026-03-07' } }),
    }),
    expect: [
      not('tone', 'retinoid-fresh'),
      none(['acidMask', 'resurfacingMask'], 'retinoid-fresh'),
    ],
  },
  {
    name: 'an acid toner counts as the exfoliation of the visit',
    input: planInput({
      school: 'oilAndWater',
      aims: ['dullness'],
      readings: readAll({ ...RESILIENT, texture: 3, sensitivity: 1, redness: 1 }),
      shelf: planInput().shelf.map((item) =>
        item.product.kind === 'toner' ? { product: acidToner, lots: [lot('toner')] } : item,
      ),
    }),
    expect: [
      {
        says: 'one exfoliation, the toner counted',
        because: CP,
        holds: ({ steps }) =>
          steps.filter(({ technique }) => exfoliates(technique) || technique === 'tone').length <=
          1,
      },
    ],
  },
  {
    name: 'hearing aids: out first, and said so',
    input: planInput({ aims: ['rest'], ...yes({ hearingAids: { say: 'yes' } }) }),
    expect: [
      {
        says: 'hearing aids are confirmed out',
        because: 'hearing-out',
        holds: ({ input }) => input.verdict.confirms.some(({ rule }) => rule === 'hearing-out'),
      },
    ],
  },
  {
    name: 'pregnant, and asks for the salon peel by its name',
    input: planInput({
      aims: ['dullness'],
      named: ['salonPeel'],
      ...yes({ pregnancy: { say: 'yes' } }),
    }),
    expect: [not('salonPeel', 'pregnancy-current')],
  },
  {
    name: 'breastfeeding: no rule for how she lies',
    input: planInput({ aims: ['rest'], ...yes({ breastfeeding: { say: 'yes' } }) }),
    expect: [
      {
        says: 'lies as she likes',
        because: CP,
        holds: ({ input }) => input.verdict.throughout.length === 0,
      },
    ],
  },
]
