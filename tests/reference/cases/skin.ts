import { planInput, readAll, RESILIENT } from '#core/testing/fixtures'
import {
  at,
  CP,
  either,
  last,
  most,
  none,
  not,
  nowhere,
  onlyOn,
  sees,
  works,
  type Case,
} from './expectations'

/** The skin as read: the lines of the trade's if-then table. */
export const SKIN_CASES: readonly Case[] = [
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
      makeUp: [],
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
    expect: [
      none(['massage', 'toningMassage', 'stones'], 'massage-red: friction'),
      works(0, 'baseline-redness'),
      not('steam', 'baseline-redness'),
      sees('cold', CP),
    ],
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
    name: 'cheeks that pink easily, T-zone dull and congested',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      readings: readAll(
        { ...RESILIENT, congestion: 3, texture: 3 },
        {
          cheekL: { ...RESILIENT, redness: 2, vessels: 2 },
          cheekR: { ...RESILIENT, redness: 2, vessels: 2 },
        },
      ),
    }),
    expect: [
      nowhere(
        ['grain', 'tip', 'crystals', 'rollOff', 'acidMask'],
        ['cheekL', 'cheekR'],
        'baseline-redness',
      ),
      not('steam', 'baseline-redness: steam reaches the whole face'),
    ],
  },
  {
    name: 'oily with large pores',
    input: planInput({
      school: 'brightLamp',
      aims: ['shine', 'congestion'],
      readings: readAll({ ...RESILIENT, oil: 4, congestion: 2 }),
    }),
    expect: [
      either(['clay', 'rollOff', 'tip'], 'clay-oily, rolloff-oily'),
      sees('moisturiser', 'common practice: oily skin needs water too'),
      not('facialOil', 'oil-under-sun'),
      works(2, 'resilient skin bears two'),
    ],
  },
  {
    name: 'dry, by day',
    input: planInput({
      school: 'warmCloth',
      aims: ['dehydration', 'rest'],
      readings: readAll({ ...RESILIENT, oil: 0, congestion: 0 }),
    }),
    expect: [
      sees('oilCleanse', 'oil-dry'),
      none(['clay', 'tip', 'extraction'], 'clay-dry, no-need'),
      last('sunProtection', 'must-sun'),
    ],
  },
  {
    name: 'dehydrated and oily: thirsty is not dry',
    input: planInput({
      school: 'oilAndWater',
      aims: ['dehydration', 'shine'],
      readings: readAll({ ...RESILIENT, oil: 3, water: 0, congestion: 1 }),
    }),
    expect: [
      either(['hydratingMask', 'sheetMask'], 'hydrate-dehydrated'),
      sees('mist', 'mist-dehydrated'),
      not('clay', 'clay-thirsty'),
    ],
  },
  {
    name: 'mature and thin, seventy-two',
    input: planInput({
      age: 72,
      school: 'warmCloth',
      aims: ['firmness', 'dehydration'],
      readings: readAll({ ...RESILIENT, oil: 1, lines: 3, fragility: 2, congestion: 0 }),
    }),
    expect: [
      none(['acidMask', 'resurfacingMask', 'salonPeel', 'needling'], 'acid-mature; thin skin'),
      most('massage', 10, 'massage-mature'),
      works(1, 'not resilient from sixty'),
      sees('handsArms', 'hands-mature: neck and hands always'),
    ],
  },
  {
    name: 'thick and dull',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness'],
      readings: readAll({ ...RESILIENT, texture: 4, oil: 3 }),
    }),
    expect: [
      either(['rollOff', 'tip', 'crystals', 'acidMask'], 'rolloff-dull, tip-dull'),
      works(2, 'resilient skin bears two'),
    ],
  },
  {
    name: 'congested nose and chin only',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion'],
      readings: readAll(
        { ...RESILIENT, congestion: 0 },
        { nose: { ...RESILIENT, congestion: 4 }, chin: { ...RESILIENT, congestion: 3 } },
      ),
    }),
    expect: [
      onlyOn('extraction', ['nose', 'chin'], 'no-need: work goes where its reason is'),
      onlyOn('spatula', ['nose', 'chin'], 'no-need'),
      either(['extraction', 'spatula', 'clay'], CP),
    ],
  },
  {
    name: 'oily round the eyes',
    input: planInput({
      aims: ['dehydration'],
      readings: readAll({ ...RESILIENT, oil: 2 }, {
        eyeL: { ...RESILIENT, oil: 4 },
        eyeR: { ...RESILIENT, oil: 4 },
      } as never),
    }),
    expect: [nowhere(['eyeProduct'], ['eyes'], 'eye-oily')],
  },
  {
    name: 'nobody has read the skin',
    input: planInput({ school: 'brightLamp', aims: ['dullness'], readings: {} }),
    expect: [
      none(['grain', 'rollOff', 'salonPeel', 'resurfacingMask'], 'unread counts as sensitive'),
    ],
  },
]
