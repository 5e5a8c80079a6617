import { product, readAll } from '#core/testing/fixtures'
import { EVENING, OILY, ROUGH, way, type Way } from './way'

/** Ways of working in the evening, when the client goes home to bed. */
export const EVENING_WAYS: readonly Way[] = [
  way(
    'stage make-up off in the evening',
    {
      ...EVENING,
      makeUp: ['layered', 'waterproof'],
      aims: ['rest'],
      camps: { eyesOff: 'roots', firstCleanse: 'padsThenCream' },
    },
    ['eyesOff', 'lashRoots', 'micellar', 'secondReading', 'creamCleanse', 'moisturiser'],
  ),
  way(
    'many layers off, a wipe before the cleanse, an acid toner',
    {
      ...EVENING,
      ...ROUGH,
      makeUp: ['sunCream'],
      aims: ['dullness'],
      follows: ['settle', 'wipes', 'secondReading', 'secondCleanse', 'tone', 'moisturiser'],
      bottles: [
        product('toner', 'acid-toner', {
          inci: ['Aqua', 'Lactic Acid'],
          acid: { name: 'lactic', percent: 1 },
          pH: 4,
        }),
      ],
    },
    // A wipe is no cleanse: one follows.
    ['wipes', 'secondReading', 'secondCleanse', 'tone', 'moisturiser'],
  ),
  way(
    'a warm mitt at night',
    {
      ...EVENING,
      ...ROUGH,
      aims: ['dullness'],
      camps: { eyesOff: 'cleanser', removal: 'mitt', lastTouch: 'onwards' },
      follows: [
        'eyesByCleanser',
        'secondCleanse',
        'grain',
        'tone',
        'eyeProduct',
        'moisturiser',
        'restOfCream',
        'facialOil',
        'restOfOil',
        'lipCare',
      ],
    },
    [
      'eyesByCleanser',
      'secondCleanse',
      'grain',
      'tone',
      'eyeProduct',
      'moisturiser',
      'restOfCream',
      'facialOil',
      'restOfOil',
      'lipCare',
    ],
  ),
  way(
    'two products side by side, then a mask slept in',
    {
      ...EVENING,
      ...ROUGH,
      aims: ['dullness'],
      camps: { lastLayer: 'mask' },
      follows: ['secondCleanse', 'rollOff', 'creamMask', 'serum', 'moisturiser', 'sleepMask'],
    },
    ['secondCleanse', 'rollOff', 'rollOffRub', 'creamMask', 'serum', 'moisturiser', 'sleepMask'],
  ),
  way(
    'oil and water, felt under the hand',
    { ...EVENING, school: 'oilAndWater', aims: ['rest', 'dehydration'] },
    ['eyesOff', 'milk', 'secondReading', 'blot', 'oilCleanse', 'mist', 'facialOil'],
  ),
  way(
    'radiance before an evening',
    {
      ...EVENING,
      ...ROUGH,
      aims: ['tonight', 'dullness'],
      follows: ['micellar', 'secondCleanse', 'grain', 'acidMask', 'ampoule', 'facialOil'],
    },
    ['micellar', 'secondReading', 'secondCleanse', 'ampoule', 'facialOil'],
  ),
  way(
    'three steps by sections, and a veil at night',
    {
      ...EVENING,
      aims: ['dehydration'],
      camps: { removal: 'cloth', lastLayer: 'mask' },
      follows: ['eyesOff', 'milk', 'secondCleanse', 'tone', 'moisturiser', 'sleepMask'],
    },
    ['eyesOff', 'milk', 'secondCleanse', 'tone', 'moisturiser', 'sleepMask'],
  ),
  way(
    'a cleanser whose colour turns, a mask worked in',
    {
      ...EVENING,
      aims: ['dehydration'],
      camps: { lastTouch: 'onwards' },
      follows: [
        'secondCleanse',
        'creamMask',
        'eyeProduct',
        'moisturiser',
        'facialOil',
        'restOfOil',
      ],
      bottles: [
        product('gelCleanser', 'turning', { colourChange: 'blue to clear' }),
        product('creamMask', 'worked-in', { wayOff: 'massageIn' }),
      ],
    },
    ['secondCleanse', 'creamMask', 'eyeProduct', 'moisturiser', 'facialOil', 'restOfOil'],
  ),
  way(
    'grit on damp skin at night',
    {
      ...EVENING,
      ...ROUGH,
      aims: ['dullness'],
      camps: { finish: 'cloth' },
      follows: ['eyesOff', 'secondCleanse', 'exfoliatingMask', 'coldCloth', 'serum', 'moisturiser'],
    },
    ['eyesOff', 'secondCleanse', 'exfoliatingMask', 'maskOff', 'coldCloth', 'serum', 'moisturiser'],
  ),
  way(
    'devices at home, arms cared for under the clay',
    {
      ...EVENING,
      readings: readAll(OILY),
      aims: ['congestion'],
      camps: { underMask: 'product', lips: 'serumFirst', lastLayer: 'mask' },
      follows: [
        'oilCleanse',
        'steam',
        'spatula',
        'clay',
        'tone',
        'highFrequency',
        'serum',
        'eyeProduct',
        'moisturiser',
        'lipSerum',
        'lipCare',
        'sleepMask',
      ],
    },
    [
      'oilCleanse',
      'spatula',
      'highFrequency',
      'clay',
      'armCare',
      'maskOff',
      'serum',
      'moisturiser',
      'lipSerum',
      'sleepMask',
      'lipCare',
    ],
  ),
  way(
    'layers of water, oil on damp skin',
    {
      ...EVENING,
      school: 'oilAndWater',
      aims: ['dehydration'],
      follows: ['secondCleanse', 'mist', 'serum', 'finishMassage', 'moisturiser', 'facialOil'],
    },
    ['secondCleanse', 'mist', 'serum', 'finishMassage', 'moisturiser', 'mist', 'facialOil'],
  ),
  way(
    'the mask that sets hard',
    {
      ...EVENING,
      aims: ['firmness'],
      follows: ['secondCleanse', 'hardeningMask', 'moisturiser'],
    },
    ['secondCleanse', 'mixHardening', 'hardeningMask', 'hardeningOff', 'moisturiser'],
  ),
]
