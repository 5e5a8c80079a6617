import { allNo, planInput, TODAY } from '#core/testing/fixtures'
import { demoInput } from '../../support/demoClients'
import {
  either,
  holdsNone,
  last,
  none,
  most,
  not,
  nowhere,
  of,
  outFor,
  sees,
  works,
  yes,
  type Case,
} from './expectations'
import { screen } from '#core/screening/verdict/verdict'

/** What the client told: what is said stops what it must. */
export const TOLD_CASES: readonly Case[] = [
  {
    name: 'lash extensions: no oil, oiled hand or stone at the eyes, no steam',
    input: planInput({
      school: 'oilAndWater',
      aims: ['puffyFace', 'rest'],
      slotMinutes: 75,
      ...yes({ lashExtensions: { say: 'yes' } }),
    }),
    expect: [
      nowhere(
        ['massage', 'stones', 'toningMassage', 'oilCleanse', 'facialOil'],
        ['eyes'],
        'lash-oil',
      ),
      not('steam', 'lash-steam'),
    ],
  },
  {
    name: 'steroid cream on the cheeks: no tip, blade, grains or peel there',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'dullness'],
      named: ['tip'],
      ...yes({ steroidCream: { say: 'yes', zones: ['cheekL', 'cheekR'] } }),
    }),
    expect: [
      nowhere(['tip', 'grain', 'rollOff', 'salonPeel'], ['cheekL', 'cheekR'], 'steroid-cream'),
    ],
  },
  {
    name: 'laser on one cheek three weeks ago: the other side and the rest may be worked',
    input: planInput({
      school: 'warmCloth',
      aims: ['congestion'],
      ...yes({
        recentTreatment: {
          say: 'yes',
          date: '2026-02-17',
          zones: ['cheekL', 'foldL'],
          work: ['laser'],
        },
      }),
    }),
    expect: [
      nowhere(['enzyme', 'acidMask', 'grain', 'highFrequency'], ['cheekL'], 'laser, that side'),
    ],
  },
  {
    name: 'seventeen, and asks for the diamond tip by its name: nothing above rung 2',
    input: planInput({ school: 'brightLamp', aims: ['congestion'], named: ['tip'], age: 17 }),
    expect: [not('tip', 'under 18'), not('crystals', 'under 18'), not('salonPeel', 'under 18')],
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
    name: 'late nights: calm work and drainage',
    input: planInput({
      school: 'brightLamp',
      aims: ['rest', 'dehydration'],
      life: { sleep: 'late' },
    }),
    expect: [
      ...(['tip', 'acidMask', 'salonPeel'] as const).map((id) => not(id, 'strong-tired')),
      either(['massage', 'stones'], 'drain-tired'),
    ],
  },
  {
    name: 'oil, then a mask that sets hard',
    input: planInput({
      school: 'stillBowl',
      aims: ['firmness', 'rest'],
      wanted: ['massage', 'hardeningMask'],
      slotMinutes: 90,
    }),
    expect: [
      sees('massage', 'asked for'),
      sees('hardeningMask', 'asked for'),
      {
        says: 'a gel cleanse, then dry, then mixed, and on at once',
        because: 'hardening mask: clean, oil-free, dry; common practice',
        holds: (plan) => {
          const names = plan.steps.map((step) => step.technique)
          const oil = names.indexOf('massage')
          const on = names.indexOf('hardeningMask')
          return (
            names.indexOf('secondCleanse', oil) > oil &&
            names.indexOf('secondCleanse', oil) < on &&
            names[on - 1] === 'mixHardening' &&
            names[on - 2] === 'blot'
          )
        },
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
    name: 'a medicine that makes light-sensitive',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'redness'],
      slotMinutes: 90,
      ...yes({ lightMedicine: { say: 'yes' } }),
    }),
    expect: [not('blueLamp', 'light-lamp'), not('redLamp', 'light-lamp')],
  },
  {
    name: 'a pacemaker',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'firmness'],
      ...yes({ implantedDevice: { say: 'yes' } }),
    }),
    expect: [none(['highFrequency', 'microcurrent'], 'implant-current')],
  },
  {
    name: 'a piercing in the nose',
    input: planInput({
      school: 'brightLamp',
      aims: ['breakouts', 'congestion'],
      ...yes({ piercings: { say: 'yes', zones: ['nose'] } }),
    }),
    expect: [
      {
        says: 'where high frequency is planned the piercing is confirmed out first',
        because: 'piercing-current',
        holds: (plan) =>
          of(plan, 'highFrequency').length === 0 ||
          plan.input.verdict.confirms.some((confirm) => confirm.rule === 'piercing-current'),
      },
    ],
  },
  {
    name: 'epilepsy',
    input: planInput({
      school: 'brightLamp',
      aims: ['breakouts', 'redness'],
      ...yes({ epilepsy: { say: 'yes' } }),
    }),
    expect: [none(['highFrequency', 'microcurrent'], 'epilepsy-current')],
  },
  {
    name: 'asthma',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion'],
      ...yes({ asthma: { say: 'yes' } }),
    }),
    expect: [most('steam', 3, 'asthma-vapour')],
  },
  {
    name: 'oral isotretinoin three months ago',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      ...yes({ isotretinoin: { say: 'yes', date: '2025-12-10' } }),
    }),
    expect: [
      none(['tip', 'crystals', 'needling', 'acidMask', 'blade', 'salonPeel'], 'isotretinoin'),
    ],
  },
  {
    name: 'cold sores in the history',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness'],
      ...yes({ coldSoreHistory: { say: 'yes' } }),
    }),
    expect: [nowhere(['acidMask', 'tip', 'crystals', 'needling'], ['mouth'], 'cold-sore-mouth')],
  },
  {
    name: 'a blood thinner',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'firmness'],
      ...yes({ bloodThinner: { say: 'yes' } }),
    }),
    expect: [not('needling', 'thinner-needling')],
  },
  {
    name: 'melasma on the cheeks',
    input: planInput({
      school: 'brightLamp',
      aims: ['marks', 'dullness'],
      ...yes({ melasma: { say: 'yes', zones: ['cheekL', 'cheekR'] } }),
    }),
    expect: [works(1, 'melasma-gentle'), last('sunProtection', 'must-sun')],
  },
  {
    name: 'toxin a week ago',
    input: planInput({
      school: 'warmCloth',
      aims: ['rest', 'firmness'],
      ...yes({ toxin: { say: 'yes', date: '2026-03-05', zones: ['forehead'] } }),
    }),
    expect: [
      nowhere(['massage', 'toningMassage', 'stones', 'microcurrent'], ['forehead'], 'toxin-later'),
    ],
  },
  {
    name: 'lash extensions and lenses',
    input: planInput({
      school: 'warmCloth',
      aims: ['rest'],
      ...yes({ lashExtensions: { say: 'yes' }, lenses: { say: 'yes' } }),
    }),
    expect: [
      not('steam', 'lash-steam'),
      {
        says: 'lenses are confirmed out first',
        because: 'lenses-out',
        holds: (plan) =>
          plan.input.verdict.confirms.some((confirm) => confirm.rule === 'lenses-out'),
      },
    ],
  },
  {
    name: 'allergic to nuts and milk, whole shelf of the demo',
    input: demoInput('bride', {
      ...yes({ allergy: { say: 'yes', substances: ['nuts and milk'] } }),
    }),
    expect: [holdsNone('nuts', 'allergy-products'), holdsNone('milk', 'allergy-products')],
  },
  {
    name: 'an unanswered sheet stops what a yes would',
    input: planInput({
      school: 'brightLamp',
      aims: ['congestion', 'firmness'],
      answers: { ...allNo(), epilepsy: { say: 'unsure' }, implantedDevice: { say: 'unsure' } },
      verdict: screen(
        { ...allNo(), epilepsy: { say: 'unsure' }, implantedDevice: { say: 'unsure' } },
        TODAY,
      ),
    }),
    expect: [
      none(['highFrequency', 'microcurrent'], 'unknown counts as the careful end'),
      none(['acidMask', 'tip', 'salonPeel', 'extraction', 'vacuumGlide'], 'open-sheet'),
    ],
  },
]
