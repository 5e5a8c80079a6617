import { ingredientsIn } from '#core/catalogue/products/ingredients'
import { EXFOLIATING } from '#core/catalogue/kinds'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import type { RegionId } from '#core/face/zones'
import type { PlanInput } from '#core/planning/input'
import type { leftOut } from '#core/planning/answer/leftOut'
import type { propose } from '#core/planning/answer/propose'
import { screen } from '#core/screening/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '#core/testing/fixtures'
import { demoInput } from '../support/demoClients'
/**
 * What a good therapist expects of a protocol, case by case. Every expectation names the rule it
 * rests on, or says "common practice".
 */
export interface Case {
  name: string
  input: PlanInput
  expect: readonly Expectation[]
}
interface Expectation {
  says: string
  because: string
  holds: (plan: Plan) => boolean
}
export interface Plan {
  input: PlanInput
  steps: ReturnType<typeof propose>['steps']
  out: ReturnType<typeof leftOut>
}

const of = (plan: Plan, technique: TechniqueId) =>
  plan.steps.filter((step) => step.technique === technique)
const at = (plan: Plan, technique: TechniqueId) =>
  plan.steps.findIndex((step) => step.technique === technique)
const sees = (technique: TechniqueId, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name}`,
  because,
  holds: (plan) => of(plan, technique).length > 0,
})
const either = (ts: readonly TechniqueId[], because: string): Expectation => ({
  says: ts.join(' or '),
  because,
  holds: (plan) => ts.some((other) => of(plan, other).length > 0),
})
const not = (technique: TechniqueId, because: string): Expectation => ({
  says: `no ${TECHNIQUES[technique].name.toLowerCase()}`,
  because,
  holds: (plan) => of(plan, technique).length === 0,
})
const nowhere = (
  ts: readonly TechniqueId[],
  regions: readonly RegionId[],
  because: string,
): Expectation => ({
  says: `none of ${ts.join(', ')} on ${regions.join(', ')}`,
  because,
  holds: (plan) =>
    plan.steps.every(
      (step) =>
        !ts.includes(step.technique) || !step.regions.some((region) => regions.includes(region)),
    ),
})
const most = (technique: TechniqueId, minutes: number, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name} ${minutes} min at most`,
  because,
  holds: (plan) => of(plan, technique).every((step) => step.minutes <= minutes),
})
const before = (one: TechniqueId, other: TechniqueId, because: string): Expectation => ({
  says: `${one} before ${other}`,
  because,
  holds: (plan) => at(plan, one) >= 0 && at(plan, other) >= 0 && at(plan, one) < at(plan, other),
})
const last = (technique: TechniqueId, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name} is the last layer`,
  because,
  holds: (plan) =>
    plan.steps.filter((step) => TECHNIQUES[step.technique].leaves.layer !== undefined).at(-1)
      ?.technique === technique,
})
const holdsNone = (
  family: ReturnType<typeof ingredientsIn>[number],
  because: string,
): Expectation => ({
  says: `nothing with ${family}`,
  because,
  holds: (plan) =>
    plan.steps.every((step) => {
      const item = plan.input.shelf.find((item) => item.product.id === step.productId)
      return !item || !ingredientsIn(item.product.inci).includes(family)
    }),
})
const works = (ownMost: number, because: string): Expectation => ({
  says: `at most ${ownMost} exfoliations`,
  because,
  holds: (plan) =>
    plan.steps.filter((step) =>
      TECHNIQUES[step.technique].families.some((family) => EXFOLIATING.includes(family)),
    ).length <= ownMost,
})
const outFor = (technique: TechniqueId, rule: string, because: string): Expectation => ({
  says: `${technique} is left out by ${rule}`,
  because,
  holds: (plan) =>
    plan.out.some((leftOut) => leftOut.technique === technique && leftOut.why.rule === rule),
})
const FACE_WORK: readonly TechniqueId[] = ['grain', 'tip', 'steam']
const CP = 'common practice'
const yes = (more: Parameters<typeof allNo>[0]) => {
  const answers = allNo(more)
  return { answers, verdict: screen(answers, TODAY) }
}

export const CASES: readonly Case[] = [
  {
    name: 'ferry pilot, wind-red cheeks with vessels, warm cloths',
    input: demoInput('ferry'),
    expect: [
      nowhere(FACE_WORK, ['cheekL', 'cheekR'], 'vessels-local, baseline-redness'),
      not('steam', 'vessels-local: steam reaches the whole face'),
      sees('hydratingMask', CP),
      sees('massage', CP),
      sees('cold', CP),
      last('sunProtection', 'must-sun'),
    ],
  },
  {
    name: 'pastry cook, oily T-zone, inflamed jaw, bright lamp',
    input: demoInput('pastry'),
    expect: [
      sees('clay', CP),
      nowhere(['grain', 'tip', 'massage'], ['jawL', 'jawR'], 'inflamed-local'),
      sees('extraction', 'extraction-congested'),
      before('warmTowel', 'extraction', 'wear-off: extraction wants softened skin'),
      before('extraction', 'highFrequency', CP),
      works(1, CP),
      not('facialOil', 'oil-under-sun'),
    ],
  },
  {
    name: 'indoor rower, dehydrated and oily, bright lamp',
    input: demoInput('rower'),
    expect: [
      sees('hydratingMask', CP),
      sees('tip', CP),
      before('blot', 'tip', 'surface: the tip wants dry skin'),
      not('massage', 'surface: no face massage after abrasion'),
      either(['serum', 'ampoule'], CP),
      works(2, 'resilient skin bears two'),
    ],
  },
  {
    name: 'beekeeper, allergic to honey and propolis, sensitive',
    input: demoInput('beekeeper'),
    expect: [
      holdsNone('bee', 'allergy-products'),
      outFor('grain', 'grain-sensitive', 'grain-sensitive'),
      sees('hydratingMask', CP),
      not('tip', CP),
    ],
  },
  {
    name: 'choir conductor, six months pregnant',
    input: demoInput('conductor'),
    expect: [
      not('highFrequency', 'pregnancy-current'),
      most('steam', 3, 'pregnancy-heat'),
      holdsNone('retinoid', 'pregnancy-current'),
      sees('massage', CP),
      outFor('highFrequency', 'pregnancy-current', 'pregnancy-current'),
    ],
  },
  {
    name: 'retired forester, thin weathered skin, blood thinner, 45 minutes',
    input: demoInput('forester', { slotMinutes: 45 }),
    expect: [
      not('tip', 'thinner-needling'),
      not('grain', 'grain-sensitive, grain-mature'),
      most('massage', 10, 'massage-mature'),
      not('eyesOff', 'comes without make-up'),
      sees('hydratingMask', CP),
      not('clay', 'clay-dry'),
    ],
  },
  {
    name: 'stage actor, phototype V, marks easily, retinoid two nights ago',
    input: demoInput('actor'),
    expect: [
      not('tip', 'retinoid-tolerance, marks-gentle: over the tolerance'),
      most('steam', 5, 'marks-gentle'),
      works(1, 'marks-gentle'),
      sees('oilCleanse', 'common practice: heavy make-up nightly'),
      outFor('tip', 'over-tolerance', 'over-tolerance'),
    ],
  },
  {
    name: 'bride-to-be seven weeks ahead, 75 minutes',
    input: demoInput('bride', { slotMinutes: 75 }),
    expect: [
      sees('tip', CP),
      works(2, 'resilient skin bears two'),
      {
        says: 'only calming products after the tip',
        because: 'calm-only',
        holds: (plan) =>
          plan.steps
            .slice(at(plan, 'tip'))
            .filter((step) =>
              step.regions.some((region) => of(plan, 'tip')[0]?.regions.includes(region)),
            )
            .every(
              (step) =>
                plan.input.shelf.find((item) => item.product.id === step.productId)?.product
                  .calming ?? true,
            ),
      },
      not('massage', 'surface: no face massage after abrasion'),
    ],
  },
  {
    name: 'the same bride five days before',
    input: demoInput('bride', { ...yes({ eventSoon: { say: 'yes', date: '2026-03-15' } }) }),
    expect: [
      not('tip', 'event-machine'),
      sees('moisturiser', 'must-moisturise'),
      outFor('tip', 'event-machine', 'event-machine'),
    ],
  },
  {
    name: 'express, thirty minutes, resilient skin',
    input: planInput({ slotMinutes: 30, school: 'brightLamp', aims: ['dullness', 'congestion'] }),
    expect: [
      {
        says: 'the floor stands',
        because: 'must-settle, must-surface, must-deep, must-moisturise, must-sun, must-close',
        holds: (plan) =>
          (['settle', 'milk', 'moisturiser', 'sunProtection', 'close'] as const).every(
            (technique) => at(plan, technique) >= 0,
          ),
      },
      not('massage', CP),
      works(2, CP),
    ],
  },
  {
    name: 'full ninety minutes with warm cloths',
    input: planInput({
      slotMinutes: 90,
      school: 'warmCloth',
      aims: ['rest', 'dehydration', 'firmness'],
    }),
    expect: [
      sees('massage', CP),
      sees('creamMask', CP),
      sees('shouldersScalp', 'common practice: hands are busy while a mask rests'),
      before('massage', 'creamMask', CP),
    ],
  },
  {
    name: 'in the evening, dry skin',
    input: planInput({
      daylight: false,
      school: 'oilAndWater',
      aims: ['dehydration', 'rest'],
      readings: readAll({ ...RESILIENT, oil: 0, water: 1 }),
    }),
    expect: [
      not('sunProtection', 'no daylight'),
      last('facialOil', 'common practice: oil seals at night'),
      not('clay', 'clay-dry'),
      sees('oilCleanse', CP),
    ],
  },
  {
    name: 'bare-faced, oily and congested, half an hour of machine work',
    input: planInput({
      madeUp: false,
      slotMinutes: 45,
      school: 'brightLamp',
      aims: ['shine', 'congestion'],
      readings: readAll({ ...RESILIENT, oil: 4, congestion: 3 }),
    }),
    expect: [
      not('eyesOff', 'no make-up to take off'),
      {
        says: 'clay or the tip',
        because: CP,
        holds: (plan) => at(plan, 'clay') >= 0 || at(plan, 'tip') >= 0,
      },
      not('oilCleanse', CP),
    ],
  },
  {
    name: 'very sensitive all over, still bowl',
    input: planInput({
      school: 'stillBowl',
      aims: ['redness', 'dehydration'],
      readings: readAll({ ...RESILIENT, sensitivity: 3, redness: 1, water: 1 }),
    }),
    expect: [
      not('grain', 'grain-sensitive'),
      not('tip', 'tip-very-sensitive'),
      most('steam', 3, 'steam-reddens'),
      sees('cold', CP),
      sees('hydratingMask', CP),
    ],
  },
  {
    name: 'red all over',
    input: planInput({
      aims: ['redness', 'rest'],
      readings: readAll({ ...RESILIENT, redness: 2 }),
    }),
    expect: [works(0, 'baseline-redness'), not('steam', 'baseline-redness'), sees('cold', CP)],
  },
  {
    name: 'pustules on the chin, as read',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'shine'],
      readings: readAll(
        { ...RESILIENT, oil: 3, congestion: 3 },
        { chin: { ...RESILIENT, oil: 3, congestion: 3, spots: 3 } },
      ),
    }),
    expect: [nowhere(['grain', 'tip', 'massage'], ['chin'], 'read-spots')],
  },
  {
    name: 'shaved this morning',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      ...yes({
        shaveWax: {
          say: 'yes',
          date: TODAY,
          zones: ['jawL', 'jawR', 'chin', 'cheekL', 'cheekR', 'upperLip', 'underChin'],
        },
      }),
    }),
    expect: [
      nowhere(['grain', 'tip'], ['jawL', 'jawR', 'chin'], 'shave-day'),
      not('steam', 'shave-day: steam reaches the whole face'),
    ],
  },
  {
    name: 'a trainee without machine licence',
    input: planInput({
      licences: ['basic'],
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
    }),
    expect: [not('tip', 'scope'), not('highFrequency', 'scope'), outFor('tip', 'scope', 'scope')],
  },
  {
    name: 'filler eight days ago in the cheeks',
    input: planInput({
      school: 'warmCloth',
      aims: ['rest', 'firmness'],
      ...yes({ filler: { say: 'yes', date: '2026-03-02', zones: ['cheekL', 'cheekR'] } }),
    }),
    expect: [
      nowhere(['massage', 'highFrequency', 'tip'], ['cheekL', 'cheekR'], 'filler-later'),
      not('steam', 'filler-later: steam reaches the whole face'),
    ],
  },
  {
    name: 'seventy-eight years, resilient otherwise',
    input: planInput({ age: 78, school: 'warmCloth', aims: ['firmness', 'dehydration', 'rest'] }),
    expect: [
      most('massage', 10, 'massage-mature'),
      most('steam', 5, 'steam-mature'),
      most('grain', 0.5, 'grain-mature'),
      works(1, 'not resilient from sixty'),
    ],
  },
  {
    name: "the house's needling protocol, resilient skin",
    input: planInput({
      school: 'brightLamp',
      aims: ['firmness'],
      protocol: [
        { technique: 'needling', minutes: 10 },
        { technique: 'redLamp', minutes: 10 },
      ],
    }),
    expect: [
      sees('needling', CP),
      before('disinfect', 'needling', 'straight-before'),
      works(1, 'pair-needling-acid, pair-needling-enzyme'),
      not('massage', 'machine-no-massage'),
      not('acidMask', 'pair-needling-acid'),
      {
        says: 'depth at the low end',
        because: 'thin-zones',
        holds: (plan) => of(plan, 'needling').every((step) => (step.setting ?? 1) <= 0.2),
      },
    ],
  },
  {
    name: 'uneasy with a covered face',
    input: planInput({
      aims: ['firmness', 'dehydration'],
      slotMinutes: 90,
      ...yes({ closedSpaces: { say: 'yes' } }),
    }),
    expect: [
      not('hardeningMask', 'closed-covering'),
      not('sheetMask', 'closed-covering'),
      outFor('hardeningMask', 'closed-covering', 'closed-covering'),
    ],
  },
  {
    name: 'over-dried by actives at home',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'dehydration'],
      readings: readAll({ ...RESILIENT, water: 1 }),
      ...yes({ homeAcid: { say: 'yes', date: '2026-03-01' } }),
    }),
    expect: [
      works(0, 'overdried'),
      either(['hydratingMask', 'sheetMask'], 'hydrate-dehydrated'),
      sees('mist', 'mist-dehydrated'),
    ],
  },
  {
    name: 'a medicine that makes light-sensitive',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'redness'],
      slotMinutes: 90,
      ...yes({ lightMedicine: { say: 'yes' } }),
    }),
    expect: [not('blueLamp', 'light-lamp'), not('redLamp', 'light-lamp')],
  },
]
