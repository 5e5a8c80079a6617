import { allNo, product, readAll, RESILIENT, TODAY } from '#core/testing/fixtures'
import { OILY, ROUGH, way, type Way } from './way'

/** Ways of working by day, when the client goes out again. */
export const DAY_WAYS: readonly Way[] = [
  way(
    'a lift in the morning',
    {
      aims: ['firmness', 'puffyFace'],
      makeUp: [],
      camps: { current: 'gelStays', layering: 'oilEarly', massage: 'upThenDown' },
      follows: [
        'secondCleanse',
        'microcurrentGel',
        'stonesOnOil',
        'ridge',
        'drainDown',
        'serum',
        'eyeProduct',
        'moisturiser',
      ],
    },
    [
      'secondCleanse',
      'microcurrentGel',
      'stonesOnOil',
      'ridge',
      'drainDown',
      'serum',
      'eyeProduct',
      'moisturiser',
      // It was forgotten: by day the visit does not end without.
      'sunProtection',
    ],
  ),
  way(
    'after a flight, two masks in turn',
    {
      ...ROUGH,
      aims: ['dehydration', 'dullness'],
      camps: { masks: 'inTurn' },
      follows: [
        'secondCleanse',
        'sonicBrush',
        'resurfacingMask',
        'hydratingMask',
        'eyeProduct',
        'serum',
        'moisturiser',
      ],
    },
    ['secondCleanse', 'sonicBrush', 'resurfacingMask', 'hydratingMask', 'serum', 'sunProtection'],
  ),
  way(
    'everything in one sitting',
    {
      readings: readAll(OILY),
      aims: ['congestion', 'dullness'],
      named: ['tip'],
      camps: { suction: 'dry' },
      slotMinutes: 120,
      follows: [
        'steam',
        'oilCleanse',
        'enzyme',
        'vacuumDry',
        'tip',
        'highFrequency',
        'hydratingMask',
        'serum',
        'stones',
        'cold',
        'moisturiser',
      ],
    },
    ['oilCleanse', 'moisturiser', 'sunProtection'],
    // After a machine no hands on the face, and not every exfoliation of the list.
    { refused: ['stones'] },
  ),
  way(
    'zones at once: spot, eye and main mask together',
    {
      readings: readAll(RESILIENT, { forehead: OILY, nose: OILY, chin: OILY }),
      aims: ['shine', 'puffyEyes'],
      camps: { masks: 'byZone' },
      follows: [
        'secondCleanse',
        'tone',
        'grain',
        'clay',
        'hydratingMask',
        'eyeMask',
        'eyeProduct',
        'moisturiser',
      ],
    },
    ['secondCleanse', 'grain', 'eyeMask', 'hydratingMask', 'clay', 'maskOff', 'moisturiser'],
  ),
  way(
    'clay from the kitchen, and a cold cloth',
    {
      school: 'stillBowl',
      readings: readAll(OILY),
      aims: ['shine'],
      camps: { finish: 'cloth' },
      follows: ['secondCleanse', 'tone', 'freshMask', 'coldCloth', 'moisturiser'],
    },
    ['secondCleanse', 'tone', 'mixPowder', 'freshMask', 'maskOff', 'coldCloth', 'moisturiser'],
  ),
  way(
    'before the event, counted back from the day',
    {
      ...ROUGH,
      aims: ['tonight'],
      answers: allNo({ eventSoon: { say: 'yes', date: TODAY } }),
      follows: ['secondCleanse', 'blade', 'sheetMask', 'cold', 'tone', 'moisturiser', 'lipCare'],
    },
    ['secondCleanse', 'sheetMask', 'cold', 'moisturiser', 'lipCare', 'sunProtection'],
    // The blade was for the day before.
    { refused: ['blade'] },
  ),
  way(
    'oat and sugar, warm cloth and cold cloth',
    {
      ...ROUGH,
      aims: ['dullness', 'redness'],
      camps: { finish: 'cloth' },
      follows: ['secondCleanse', 'warmTowel', 'grain', 'coldCloth', 'moisturiser'],
      bottles: [product('grainScrub', 'oat', { inci: ['Avena Sativa Kernel Flour', 'Sucrose'] })],
    },
    ['secondCleanse', 'grain', 'coldCloth', 'moisturiser', 'sunProtection'],
  ),
  way(
    'the own face before work',
    {
      aims: ['puffyEyes', 'tonight'],
      makeUp: [],
      named: ['browTidy'],
      follows: [
        'secondCleanse',
        'browTidy',
        'cold',
        'serum',
        'ballTool',
        'lipScrub',
        'moisturiser',
      ],
    },
    ['secondCleanse', 'browTidy', 'cold', 'serum', 'ballTool', 'lipScrub', 'sunProtection'],
  ),
  way(
    'crystals, and the shoulders instead of the face',
    {
      ...ROUGH,
      aims: ['dullness', 'rest'],
      named: ['crystals'],
      follows: ['secondCleanse', 'crystals', 'tone', 'hydratingMask', 'moisturiser'],
    },
    [
      'secondCleanse',
      'crystals',
      'secondCleanse',
      'hydratingMask',
      'shouldersScalp',
      'moisturiser',
    ],
  ),
]
