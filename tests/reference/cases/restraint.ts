import { planInput, readAll, RESILIENT } from '#core/testing/fixtures'
import {
  at,
  before,
  CP,
  least,
  mainSteps,
  none,
  not,
  of,
  order,
  outFor,
  sees,
  works,
  type Case,
} from './expectations'
import { isLink } from '#core/planning/steps/link'
import { REGION_IDS } from '#core/face/zones'

/** Restraint and rhythm: where, how much, how long, in what order. */
export const RESTRAINT_CASES: readonly Case[] = [
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
    name: 'a trainee without machine licence',
    input: planInput({
      licences: ['basic'],
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
    }),
    expect: [not('tip', 'scope'), not('highFrequency', 'scope'), outFor('tip', 'scope', 'scope')],
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
    name: 'clear skin that wants an hour of rest',
    input: planInput({
      school: 'warmCloth',
      aims: ['rest'],
      readings: readAll({ ...RESILIENT, congestion: 0, texture: 0, oil: 1 }),
    }),
    expect: [
      none(
        ['extraction', 'tip', 'crystals', 'acidMask', 'grain', 'spatula', 'needling'],
        'no-need',
      ),
      sees('massage', CP),
      least('massage', 10, 'usual minutes or left out'),
      mainSteps(15, 'nine to fifteen main steps an hour'),
    ],
  },
  {
    name: 'everything wrong at once, even pace',
    input: planInput({
      school: 'oilAndWater',
      aims: ['congestion', 'dehydration', 'dullness', 'shine', 'firmness'],
      readings: readAll({ ...RESILIENT, oil: 3, water: 1, congestion: 3, texture: 3, lines: 2 }),
    }),
    expect: [mainSteps(15, 'even pace'), works(2, CP)],
  },
  {
    name: 'the same, unhurried',
    input: planInput({
      policy: { camps: { pace: 'unhurried' }, without: [] },
      school: 'oilAndWater',
      aims: ['congestion', 'dehydration', 'dullness', 'shine', 'firmness'],
      readings: readAll({ ...RESILIENT, oil: 3, water: 1, congestion: 3, texture: 3, lines: 2 }),
    }),
    expect: [
      mainSteps(10, 'unhurried pace: few steps, each with all its time'),
      least('massage', 10, CP),
    ],
  },
  {
    name: 'steam in an hour: its usual time or none',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion'],
      readings: readAll({ ...RESILIENT, congestion: 4 }),
    }),
    expect: [
      least('steam', 5, 'usual minutes or left out'),
      least('massage', 10, 'usual minutes or left out'),
    ],
  },
  {
    name: 'one exfoliation: the spatula counts',
    input: planInput({
      policy: { camps: { works: 'one' }, without: [] },
      school: 'brightLamp',
      aims: ['congestion', 'dullness'],
      readings: readAll({ ...RESILIENT, sensitivity: 2, congestion: 3 }),
    }),
    expect: [
      {
        says: 'spatula or an exfoliation, not both',
        because: 'one exfoliation a visit; the spatula counts',
        holds: (plan) =>
          plan.steps.filter((step) =>
            [
              'spatula',
              'enzyme',
              'acidMask',
              'grain',
              'rollOff',
              'tip',
              'crystals',
              'exfoliatingMask',
              'resurfacingMask',
            ].includes(step.technique),
          ).length <= 1,
      },
    ],
  },
  {
    name: 'in the usual order, all kinds of work',
    input: planInput({
      slotMinutes: 90,
      school: 'warmCloth',
      aims: ['congestion', 'rest', 'firmness', 'dehydration'],
      readings: readAll({ ...RESILIENT, congestion: 3, lines: 2 }),
    }),
    expect: [
      order(
        [
          'eyesOff',
          'milk',
          'secondReading',
          'oilCleanse',
          'steam',
          'extraction',
          'massage',
          'hydratingMask',
          'serum',
          'moisturiser',
          'sunProtection',
          'close',
        ],
        'open, work, settle, massage, mask, cool, layers',
      ),
      {
        says: 'nothing after sun protection but sitting up',
        because: 'sun-last',
        holds: (plan) =>
          plan.steps
            .slice(at(plan, 'sunProtection') + 1)
            .every((step) => step.technique === 'close'),
      },
    ],
  },
  {
    name: 'crystals are cleansed off at once',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      wanted: ['crystals'],
      readings: readAll({ ...RESILIENT, congestion: 3, texture: 3 }),
    }),
    expect: [
      sees('crystals', 'wanted'),
      {
        says: 'the step after crystals takes them off',
        because: 'surface: nothing stands on crystals',
        holds: (plan) =>
          ['secondCleanse'].includes(
            plan.steps.slice(at(plan, 'crystals') + 1).find((step) => !isLink(step))?.technique ??
              '',
          ),
      },
    ],
  },
  {
    name: 'grain with little to work for and tired skin',
    input: planInput({
      school: 'warmCloth',
      aims: ['dullness'],
      residual: Object.fromEntries(REGION_IDS.map((region) => [region, 900])) as never,
    }),
    expect: [
      works(0, 'over-tolerance: the skin carries more than it bears'),
      sees('sunProtection', 'the floor fits whatever the skin carries'),
    ],
  },
]
