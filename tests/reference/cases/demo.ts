import { demoInput } from '../../support/demoClients'
import {
  at,
  before,
  CP,
  either,
  FACE_WORK,
  holdsNone,
  last,
  most,
  none,
  not,
  nowhere,
  of,
  outFor,
  sees,
  works,
  yes,
  type Case,
} from './expectations'

/** The eight clients of the demo. */
export const DEMO_CASES: readonly Case[] = [
  {
    name: 'ferry pilot, wind-red cheeks with vessels, warm cloths',
    input: demoInput('ferry'),
    expect: [
      nowhere(FACE_WORK, ['cheekL', 'cheekR'], 'vessels-local, baseline-redness'),
      not('steam', 'vessels-local: steam reaches the whole face'),
      sees('hydratingMask', CP),
      not('massage', 'a quiet hour is the third thing asked for: sixty minutes carry two'),
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
      either(['steam', 'warmTowel'], 'wear-off: extraction wants softened skin'),
      before('extraction', 'highFrequency', CP),
      works(1, CP),
      not('facialOil', 'oil-under-sun'),
    ],
  },
  {
    name: 'indoor rower, dehydrated and oily, bright lamp',
    input: demoInput('rower', { named: ['tip'] }),
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
      none(['tip', 'acidMask'], 'retinoid-fresh'),
      most('steam', 5, 'marks-gentle'),
      works(1, 'marks-gentle'),
      sees('oilCleanse', 'common practice: heavy make-up nightly'),
      outFor('tip', 'retinoid-fresh', 'retinoid-fresh'),
    ],
  },
  {
    name: 'bride-to-be seven weeks ahead, 75 minutes',
    input: demoInput('bride', { slotMinutes: 75, named: ['tip'] }),
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
]
