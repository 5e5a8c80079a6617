import { INTENTIONS } from '#core/catalogue/rules/intentions'
import { NAMED_FROM_RUNG } from '#core/catalogue/rules/rungs'
import { TECHNIQUES, TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { exfoliates } from '#core/catalogue/techniques/traits'
import { REGION_IDS } from '#core/face/zones'
import { planInput, readAll, RESILIENT } from '#core/testing/fixtures'
import {
  CP,
  least,
  most,
  none,
  not,
  nowhere,
  of,
  onlyOn,
  sees,
  type Case,
  type Expectation,
} from './expectations'

const EXFOLIATIONS = TECHNIQUE_IDS.filter((id) => exfoliates(id))
const STRONG = TECHNIQUE_IDS.filter((id) => (TECHNIQUES[id].rung ?? 0) >= NAMED_FROM_RUNG)
const CONGESTED = { ...RESILIENT, congestion: 4, texture: 3 } as const

/** The workers of the plan come from at most so many of what was asked for. */
const forAtMost = (most: number): Expectation => ({
  says: `works for at most ${most} of what was asked for`,
  because: CP,
  holds: ({ steps, input }) => {
    const done = input.aims.filter((aim) =>
      INTENTIONS[aim].lines[0]?.workers.some((id) =>
        steps.some(({ technique }) => technique === id),
      ),
    )
    return done.length <= most
  },
})

/** One case for each sentence of restraint and of what a bar reaches that no other case holds. */
export const SENTENCE_CASES: readonly Case[] = [
  {
    name: 'a clogged neck: worked only when it is asked for',
    input: planInput({
      aims: ['congestion', 'dullness'],
      readings: readAll({ ...RESILIENT, congestion: 3 }, { neckFront: CONGESTED }),
    }),
    expect: [nowhere(EXFOLIATIONS, ['neck', 'decollete'], CP)],
  },
  {
    name: 'the clogged nose is red: the step goes, it does not move to the cheeks',
    input: planInput({
      aims: ['congestion'],
      readings: readAll({ ...RESILIENT, congestion: 1 }, { nose: { ...CONGESTED, redness: 3 } }),
    }),
    expect: [none([...EXFOLIATIONS, 'extraction', 'spatula', 'steam'], CP)],
  },
  {
    name: 'nodules in several zones: no hands at the eyes either',
    input: planInput({
      aims: ['puffyEyes', 'breakouts'],
      readings: readAll({ ...RESILIENT, spots: 4 }, { eyeL: RESILIENT, eyeR: RESILIENT }),
    }),
    expect: [none([...EXFOLIATIONS, 'extraction', 'massage', 'stones', 'steam', 'warmTowel'], CP)],
  },
  {
    name: 'nothing is asked for: clean, calm, protect',
    input: planInput({ aims: [], readings: readAll(CONGESTED), slotMinutes: 60 }),
    expect: [
      none([...EXFOLIATIONS, 'extraction', 'spatula', 'highFrequency', 'blueLamp', 'clay'], CP),
      sees('sunProtection', CP),
    ],
  },
  {
    name: 'three wishes in half an hour: one of them is worked for',
    input: planInput({
      aims: ['shine', 'dehydration', 'puffyFace'],
      readings: readAll({ ...CONGESTED, oil: 4, water: 0 }),
      slotMinutes: 30,
    }),
    expect: [forAtMost(1)],
  },
  {
    name: 'a quiet hour comes first: hands and rest get the time, nothing else works',
    input: planInput({
      aims: ['rest', 'congestion', 'dullness'],
      readings: readAll(CONGESTED),
      slotMinutes: 60,
    }),
    expect: [sees('massage', CP), least('massage', 10, CP)],
  },
  {
    name: 'thirsty and tired in the bright school: water, not acid, spatula and lamp',
    input: planInput({
      school: 'brightLamp',
      aims: ['dehydration', 'rest'],
      readings: readAll({ ...CONGESTED, water: 0 }),
    }),
    expect: [
      sees('hydratingMask', CP),
      none(
        [...EXFOLIATIONS, 'spatula', 'extraction', 'highFrequency', 'blueLamp', 'redLamp', 'clay'],
        CP,
      ),
    ],
  },
  {
    name: 'thick and dull, and nothing strong was named',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness'],
      readings: readAll({ ...RESILIENT, texture: 4 }),
      slotMinutes: 90,
    }),
    expect: [none(STRONG, 'strong work is planned only when it is named')],
  },
  {
    name: 'a first visit for marks: enzyme, though the skin would bear acid',
    input: planInput({
      aims: ['marks'],
      firstVisit: true,
      daylight: false,
      readings: readAll({ ...RESILIENT, pigment: 3 }),
    }),
    expect: [none(['acidMask', 'resurfacingMask', 'rollOff', 'grain'], CP)],
  },
  {
    name: 'clogged and in want of rest: no oil massage straight over what was taken out',
    input: planInput({
      school: 'warmCloth',
      aims: ['congestion', 'rest'],
      readings: readAll({ ...RESILIENT, congestion: 1 }, { nose: CONGESTED, chin: CONGESTED }),
      slotMinutes: 90,
    }),
    expect: [
      {
        says: 'massage leaves out what was extracted',
        because: CP,
        holds: (plan) => {
          const out = of(plan, 'extraction').flatMap(({ regions }) => regions)
          return of(plan, 'massage').every(({ regions }) =>
            regions.every((region) => !out.includes(region)),
          )
        },
      },
    ],
  },
  {
    name: 'dry skin before a wash is wetted by hand, not by a mist',
    input: planInput({ school: 'stillBowl', aims: ['redness'] }),
    expect: [
      {
        says: 'a mist only before what stays on',
        because: CP,
        holds: ({ steps }) =>
          steps.every(
            (step, i) =>
              step.technique !== 'mist' ||
              (TECHNIQUES[steps[i + 1]?.technique ?? 'close'].leaves.layer ?? 0) > 0,
          ),
      },
    ],
  },
  {
    name: 'oily all over in the evening: a lighter finish, no oil on it',
    input: planInput({
      daylight: false,
      aims: ['shine'],
      readings: readAll({ ...RESILIENT, oil: 4 }),
    }),
    expect: [not('facialOil', 'oil-finish-oily'), sees('moisturiser', CP)],
  },
  {
    name: 'red at the start: no long oil cleanse there',
    input: planInput({
      school: 'oilAndWater',
      aims: ['redness'],
      makeUp: [],
      readings: readAll({ ...RESILIENT, redness: 2 }),
    }),
    expect: [most('oilCleanse', 3, 'cleanse-red')],
  },
  {
    name: 'powder, acid and tip stay outside the orbital bone',
    input: planInput({
      aims: ['shine', 'dullness', 'congestion'],
      readings: readAll({ ...CONGESTED, oil: 4 }),
      named: ['freshMask'],
      slotMinutes: 90,
    }),
    expect: [
      onlyOn(
        'freshMask',
        REGION_IDS.filter((region) => region !== 'eyes'),
        CP,
      ),
      nowhere([...EXFOLIATIONS, 'clay', 'extraction'], ['eyes'], CP),
    ],
  },
]
