import { planInput, readAll, RESILIENT, TODAY, allNo } from '#core/testing/fixtures'
import { CP, either, last, most, none, outFor, works, yes, type Case } from './expectations'
import { REGION_IDS } from '#core/face/zones'
import { steppedDown } from '#core/load/stepDown'
import { STEP_DOWN_ROWS } from '#core/catalogue/skin/stepDown'
import { screen } from '#core/screening/verdict/verdict'

/** What was before and what is coming: earlier visits, rests, events. */
export const HISTORY_CASES: readonly Case[] = [
  {
    name: 'a first visit, everything asked for',
    input: planInput({
      firstVisit: true,
      school: 'brightLamp',
      aims: ['dullness', 'congestion', 'lines'],
      readings: readAll({ ...RESILIENT, congestion: 3, texture: 3, lines: 3 }),
    }),
    expect: [
      none(['tip', 'crystals', 'needling', 'blade', 'salonPeel'], 'first-visit'),
      works(1, 'first visit: one exfoliation, the mildest that serves'),
      outFor('tip', 'first-visit', 'first-visit'),
    ],
  },
  {
    name: 'a first visit in a bold house',
    input: planInput({
      firstVisit: true,
      policy: { camps: { firstVisit: 'asRead' }, without: [] },
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      readings: readAll({ ...RESILIENT, congestion: 3, texture: 3 }),
    }),
    expect: [
      either(['tip', 'crystals', 'rollOff', 'acidMask'], 'house policy may loosen it'),
      works(2, CP),
    ],
  },
  {
    name: 'last time was too much',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      readings: readAll({ ...RESILIENT, congestion: 3, texture: 3 }),
      verdict: steppedDown(
        screen(allNo(), TODAY),
        STEP_DOWN_ROWS.filter(({ rule }) => rule === 'took-badly'),
      ),
    }),
    expect: [
      {
        says: 'one pass of any machine',
        because: 'took-badly: one rung down',
        holds: (plan) => plan.steps.every((step) => (step.passes ?? 1) <= 1),
      },
      most('steam', 5, 'took-badly'),
      none(
        ['tip', 'crystals', 'acidMask', 'needling', 'blade', 'salonPeel'],
        'took-badly: the kind of work goes down a rung, not only its load',
      ),
    ],
  },
  {
    name: 'five days before an event, nothing had here before',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'dehydration'],
      ...yes({ eventSoon: { say: 'yes', date: '2026-03-15' } }),
    }),
    expect: [
      none(
        ['tip', 'crystals', 'acidMask', 'needling', 'extraction', 'rollOff', 'clay', 'enzyme'],
        'event-new',
      ),
      outFor('clay', 'event-new', 'event-new'),
    ],
  },
  {
    name: 'seven days before an event counts as the seventh',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      ...yes({ eventSoon: { say: 'yes', date: '2026-03-17' } }),
    }),
    expect: [none(['tip', 'acidMask', 'extraction'], 'event-week, event-machine')],
  },
  {
    name: 'three days before an event, the tip had before and taken well',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      readings: readAll({ ...RESILIENT, congestion: 3, texture: 3 }),
      past: [
        {
          day: '2025-12-01',
          families: ['abrasion'],
          regions: [],
          techniques: ['tip'],
          taken: 'well',
        },
      ],
      ...yes({ eventSoon: { say: 'yes', date: '2026-03-13' } }),
    }),
    expect: [
      none(['acidMask', 'crystals', 'needling'], 'event-week, event-new'),
      {
        says: 'the tip may be planned',
        because: 'event-machine: two days where it was had before and taken well',
        holds: (plan) =>
          !plan.out.some((left) => left.technique === 'tip' && left.why.rule === 'event-machine'),
      },
    ],
  },
  {
    name: 'an event tonight',
    input: planInput({ school: 'brightLamp', aims: ['tonight', 'dehydration'] }),
    expect: [
      none(
        ['extraction', 'tip', 'crystals', 'acidMask', 'grain', 'needling', 'salonPeel'],
        'tonight-calm',
      ),
      either(['hydratingMask', 'sheetMask', 'ampoule', 'microcurrent'], CP),
      last('sunProtection', 'must-sun'),
    ],
  },
  {
    name: 'a week after an acid mask',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      past: [{ day: '2026-03-05', families: ['acid'], regions: [...REGION_IDS] }],
    }),
    expect: [works(0, 'rest-enzyme'), outFor('grain', 'rest-enzyme', 'rest-enzyme')],
  },
]
