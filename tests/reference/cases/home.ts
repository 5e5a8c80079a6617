import { planInput, readAll, RESILIENT, TODAY } from '#core/testing/fixtures'
import { either, none, not, nowhere, sees, works, yes, type Case } from './expectations'

/** What was done at home, by hand or by the sun: it counts as if it had been done here. */
export const HOME_CASES: readonly Case[] = [
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
      nowhere(['grain', 'tip', 'enzyme', 'acidMask'], ['jawL', 'jawR', 'chin'], 'shave-day'),
      not('steam', 'shave-day: steam reaches the whole face'),
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
      not('spatula', 'overdried: stop the lot'),
      either(['hydratingMask', 'sheetMask'], 'hydrate-dehydrated'),
      sees('mist', 'mist-dehydrated'),
    ],
  },
  {
    name: 'a retinoid last night',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'congestion'],
      readings: readAll({ ...RESILIENT, congestion: 3, texture: 3 }),
      ...yes({ retinoid: { say: 'yes', date: '2026-03-09' } }),
    }),
    expect: [
      not('needling', 'retinoid-tolerance'),
      works(1, 'the tolerance halves'),
      none(['tip', 'crystals', 'acidMask', 'blade', 'salonPeel'], 'retinoid-fresh'),
    ],
  },
  {
    name: 'a sunburnt forehead',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness', 'rest'],
      ...yes({ sunburn: { say: 'yes', zones: ['forehead'] } }),
    }),
    expect: [
      nowhere(['grain', 'tip', 'acidMask', 'massage', 'rollOff'], ['forehead'], 'sunburn-local'),
      not('steam', 'sunburn-local: steam reaches the whole face'),
      none(['tip', 'crystals', 'acidMask', 'salonPeel', 'blade'], 'sunburn-near'),
    ],
  },
  {
    name: 'a grain scrub at home this morning',
    input: planInput({
      school: 'brightLamp',
      aims: ['dullness'],
      ...yes({ homeScrub: { say: 'yes', date: TODAY } }),
    }),
    expect: [
      works(1, 'two on resilient skin, and one was done at home today'),
      none(
        ['enzyme', 'grain', 'rollOff', 'acidMask', 'tip'],
        'home-scrub: it is already exfoliated',
      ),
      not('spatula', 'the spatula counts'),
    ],
  },
]
