import { planInput, readAll, RESILIENT } from '#core/testing/fixtures'
import {
  CP,
  either,
  last,
  mainSteps,
  none,
  not,
  nowhere,
  onlyOn,
  sees,
  works,
  type Case,
} from './expectations'
import { deriveProfile } from '#core/skin/profile'
import type { Readings } from '#core/skin/readings'

/** A resilient skin but for these zones, with what they bar. */
const read = (zones: Readings) => {
  const readings = readAll({ ...RESILIENT, congestion: 1 }, zones)
  return { readings, profile: deriveProfile(readings, 35) }
}

/** What the client minds, beyond what the skin shows at a glance. */
export const AIM_CASES: readonly Case[] = [
  {
    name: 'combination: oily in the middle, thirsty at the sides',
    input: planInput({
      school: 'oilAndWater',
      aims: ['shine', 'dehydration'],
      slotMinutes: 75,
      readings: readAll(
        { ...RESILIENT, oil: 1, water: 1, congestion: 0 },
        {
          forehead: { ...RESILIENT, oil: 4, congestion: 2 },
          nose: { ...RESILIENT, oil: 4, congestion: 3 },
          chin: { ...RESILIENT, oil: 4, congestion: 2 },
        },
      ),
    }),
    expect: [
      sees('clay', 'masks-by-zone'),
      sees('hydratingMask', 'masks-by-zone'),
      nowhere(
        ['clay'],
        ['cheekL', 'cheekR', 'eyes', 'neck'],
        'clay-thirsty; out of reach round the eyes',
      ),
    ],
  },
  {
    name: 'one big spot on a clear chin',
    input: planInput({
      school: 'oilAndWater',
      aims: ['breakouts', 'rest'],
      readings: readAll(
        { ...RESILIENT, congestion: 0, spots: 0 },
        { chin: { ...RESILIENT, congestion: 1, spots: 2 } },
      ),
    }),
    expect: [
      sees('clay', 'spot-mask: asked for, and seen to'),
      onlyOn('clay', ['chin'], 'spot-mask: on the spot only'),
      onlyOn('blade', [], 'blade-spots'),
      nowhere(['grain', 'extraction'], ['forehead', 'cheekL', 'cheekR'], 'no-need'),
    ],
  },
  {
    name: 'nodules on the jaw: refer, and leave them alone',
    input: planInput({
      school: 'brightLamp',
      aims: ['breakouts', 'congestion'],
      ...read({
        jawL: { ...RESILIENT, spots: 4, congestion: 3 },
        jawR: { ...RESILIENT, spots: 4, congestion: 3 },
      }),
    }),
    expect: [
      nowhere(
        [
          'extraction',
          'grain',
          'acidMask',
          'tip',
          'crystals',
          'massage',
          'toningMassage',
          'enzyme',
          'vacuumGlide',
          'steam',
        ],
        ['jawL', 'jawR'],
        'read-nodules',
      ),
    ],
  },
  {
    name: 'breakouts, papules on the cheeks, asked for',
    input: planInput({
      school: 'brightLamp',
      aims: ['breakouts'],
      ...read({ cheekL: { ...RESILIENT, spots: 2 }, cheekR: { ...RESILIENT, spots: 2 } }),
    }),
    expect: [
      either(['highFrequency', 'blueLamp'], 'wand-breakouts, lamp-breakouts'),
      not('blade', 'blade-spots'),
    ],
  },
  {
    name: 'marks that come easily, phototype V',
    input: planInput({
      school: 'brightLamp',
      aims: ['marks', 'dullness'],
      readings: readAll({ ...RESILIENT, pigment: 3, texture: 2 }),
    }),
    expect: [not('salonPeel', 'peel-marks'), works(1, CP), last('sunProtection', 'must-sun')],
  },
  {
    name: 'lines round a firm mouth, fifty-five',
    input: planInput({
      age: 55,
      school: 'stillBowl',
      aims: ['lines', 'rest'],
      readings: readAll({ ...RESILIENT, lines: 3 }),
    }),
    expect: [
      mainSteps(15, 'nine to fifteen main steps an hour'),
      either(['massage', 'stones', 'hydratingMask', 'serum'], CP),
    ],
  },
  {
    name: 'puffy eyes in the morning',
    input: planInput({ school: 'warmCloth', aims: ['puffyEyes', 'rest'], slotMinutes: 60 }),
    expect: [
      either(['eyeMask', 'stones', 'cold'], 'common practice: cold and lymph move it'),
      nowhere(['clay', 'grain', 'tip', 'acidMask'], ['eyes'], 'outside the orbital bone'),
    ],
  },
  {
    name: 'a puffy face',
    input: planInput({ school: 'stillBowl', aims: ['puffyFace'], slotMinutes: 60 }),
    expect: [
      either(['stones', 'massage', 'cold'], 'common practice: drainage for today'),
      none(['extraction', 'tip'], CP),
    ],
  },
]
