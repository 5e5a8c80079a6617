import type { TechniqueId } from '../techniques/techniques'
import type { LayoutId } from '../techniques/technique'

/**
 * Points on which good practitioners differ. A house picks a camp for each; safety never depends on
 * it.
 */
export const POINT_IDS = [
  'eyesOff',
  'firstCleanse',
  'removal',
  'steam',
  'works',
  'peelWithMachine',
  'tone',
  'massage',
  'suction',
  'current',
  'masks',
  'underMask',
  'dwell',
  'layering',
  'spread',
  'eye',
  'lips',
  'lastLayer',
  'lastTouch',
  'finish',
  'courses',
  'homeRhythm',
  'pace',
  'firstVisit',
] as const
export type PointId = (typeof POINT_IDS)[number]

export interface Camp {
  id: string
  sentence: string
  /** What speaks for it. */
  reason: string
  /** Liking per technique in the currency of the plan's value; negative is dislike. */
  taste?: Partial<Record<TechniqueId, number>>
  /** Ways that are planned only where somebody works so, and this camp does. */
  uses?: readonly TechniqueId[]
  /** Liking of a way to lay masks out. */
  layout?: Partial<Record<LayoutId, number>>
  /** Exfoliations a visit on resilient skin. */
  exfoliationLimit?: 1 | 2
  /** Lets peel and machine share a visit, for trained hands on resilient skin. */
  peelWithMachine?: true
  /** What each further step costs, in the currency of liking. */
  turnCost?: number
  /** Each step gets all its time. */
  unhurried?: true
  /** Strong work at a first visit here, by licensed hands. */
  boldFirst?: true
  /** Nights at home from one thing that takes something off to the next, at least. */
  homeApart?: number
  /** No acid and no scrub at home between visits. */
  homeNone?: true
  /** A second mask after the first. */
  inTurn?: true
  /** Only the earliest, or only the latest, of a mask's minutes. */
  dwell?: 'short' | 'long'
  /** What the hand does instead, by technique. */
  hand?: Partial<Record<TechniqueId, string>>
  /** Cloths, pads or sponges laid out per removal. */
  linen?: 'cloths' | 'pads' | 'sponges' | 'mitts'
}
interface Point {
  id: PointId
  title: string
  camps: readonly Camp[]
  /** The house's default and why. */ default: string
}

/**
 * The points of the trade where schools differ, with what each camp computes. Common practice on
 * every side.
 */
export const POINTS: readonly Point[] = [
  {
    id: 'eyesOff',
    title: 'Eyes and lips off',
    default: 'remover',
    camps: [
      {
        id: 'remover',
        sentence: 'With a remover of their own.',
        reason: 'lifts mascara with the least wiping',
      },
      {
        id: 'roots',
        sentence: 'Remover, then a bud at the lash roots.',
        reason: 'what stays at the roots creeps into the eye',
        uses: ['lashRoots'],
        taste: { lashRoots: 300 },
      },
      {
        id: 'cleanser',
        sentence: 'With milk, as the face.',
        reason: 'one product less',
        uses: ['eyesByCleanser'],
        taste: { eyesByCleanser: 600 },
      },
    ],
  },
  {
    id: 'firstCleanse',
    title: 'First cleanse',
    default: 'milkThenMatched',
    camps: [
      {
        id: 'milkThenMatched',
        sentence: 'Milk, then a second cleanse matched to the skin.',
        reason: 'gentle and quick',
        taste: { secondCleanse: 300 },
      },
      {
        id: 'oilAlone',
        sentence: 'Oil to skin-feel, emulsifier, water.',
        reason: 'lifts make-up without stripping',
        taste: { oilCleanse: 2000 },
      },
      {
        id: 'foamTwice',
        sentence: 'Milk, then foam or gel twice.',
        reason: 'squeaks for some, strips for others',
        taste: { secondCleanse: 500, oilCleanse: -500 },
      },
      {
        id: 'padsThenCream',
        sentence: 'Micellar water on pads, then a cream worked in.',
        reason: 'the cleanse rests the face as well',
        uses: ['micellar', 'creamCleanse'],
        taste: { micellar: 600, creamCleanse: 1500 },
      },
    ],
  },
  {
    id: 'removal',
    title: 'Removal',
    default: 'cloth',
    camps: [
      {
        id: 'cloth',
        sentence: 'Fresh warm cloths.',
        reason: 'less waste, better removal',
        linen: 'cloths',
      },
      {
        id: 'cotton',
        sentence: 'Cotton pads.',
        reason: 'single use, no carried-over germs',
        linen: 'pads',
        hand: {
          rinse: 'Damp cotton pads, pressed and lifted; brows, creases, hairline too.',
          maskOff:
            'Damp cotton pads, a fresh side each time. Check nostril creases, brows, hairline, under-chin.',
        },
      },
      {
        id: 'sponges',
        sentence: 'Sponges in a bowl of cool water.',
        reason: 'gentle after any machine',
        linen: 'sponges',
        hand: {
          rinse: 'Sponges and cool water, pressed and lifted; brows, creases, hairline too.',
          maskOff: 'Sponges and cool water. Check nostril creases, brows, hairline, under-chin.',
        },
      },
      {
        id: 'mitt',
        sentence: 'A warm mitt, then a cooler one.',
        reason: 'takes off in few strokes, and closes cool',
        linen: 'mitts',
        hand: {
          rinse:
            'A warm mitt, then a cooler one, pressed and lifted; brows, creases, hairline too.',
          maskOff:
            'A warm mitt, then a cooler one. Check nostril creases, brows, hairline, under-chin.',
        },
      },
    ],
  },
  {
    id: 'steam',
    title: 'Steam',
    default: 'beforeExtraction',
    camps: [
      {
        id: 'always',
        sentence: 'Every time, before all else.',
        reason: 'softens, so less work is needed',
        taste: { steam: 900, warmTowel: 300 },
      },
      {
        id: 'beforeExtraction',
        sentence: 'Only before extraction or a stiff deep cleanse.',
        reason: 'warmth where it is of use',
        taste: { steam: 0, extraction: 200 },
      },
      {
        id: 'seldom',
        sentence: 'Seldom or never.',
        reason: 'warmth reddens more than it softens',
        taste: { steam: -1200, warmTowel: -300 },
      },
    ],
  },
  {
    id: 'works',
    title: 'Exfoliations a visit',
    default: 'resilientTwo',
    camps: [
      {
        id: 'one',
        sentence: 'One a visit, always.',
        reason: 'the skin keeps what it needs',
        exfoliationLimit: 1,
      },
      {
        id: 'resilientTwo',
        sentence: 'One; two on resilient skin.',
        reason: 'surface first, then deeper, where it is borne',
        exfoliationLimit: 2,
      },
    ],
  },
  {
    id: 'peelWithMachine',
    title: 'Peel and machine on one day',
    default: 'apart',
    camps: [
      {
        id: 'apart',
        sentence: 'Never the same day.',
        reason: 'one strong work heals better than two',
      },
      {
        id: 'together',
        sentence: 'Together, trained hands, resilient skin.',
        reason: 'taught by some; the load counts in full',
        peelWithMachine: true,
      },
    ],
  },
  {
    id: 'tone',
    title: 'Tone',
    default: 'always',
    camps: [
      {
        id: 'always',
        sentence: 'After cleansing and after the mask.',
        reason: 'residue off, acidity back',
        taste: { tone: 400 },
      },
      {
        id: 'mist',
        sentence: 'A hydrating mist instead.',
        reason: 'water rather than wiping',
        taste: { tone: -400, mist: 500 },
      },
      {
        id: 'none',
        sentence: 'None.',
        reason: 'skin recovers on its own within hours',
        taste: { tone: -1200 },
      },
    ],
  },
  {
    id: 'massage',
    title: 'Massage',
    default: 'long',
    camps: [
      {
        id: 'long',
        sentence: 'Long, by hand, before the mask.',
        reason: 'drainage, tone, rest',
        taste: { massage: 1500, stones: 300, toningMassage: 300 },
      },
      {
        id: 'short',
        sentence: 'Short.',
        reason: 'the hour belongs to the skin',
        taste: { massage: -300, toningMassage: -300, stones: -300 },
      },
      {
        id: 'tools',
        sentence: 'Stones and tools.',
        reason: 'cool, even strokes',
        taste: { stones: 1400, massage: 900 },
      },
      {
        id: 'upThenDown',
        sentence: 'Stones up, the ridge across folds, then the same way down.',
        reason: 'what was lifted is led away',
        uses: ['ridge', 'drainDown'],
        taste: { stones: 1400, massage: 300, ridge: 300, drainDown: 300 },
      },
      {
        id: 'elsewhere',
        sentence: 'None on the face: shoulders, arms, hands.',
        reason: 'nothing rubs what was just worked',
        taste: {
          massage: -1200,
          toningMassage: -1200,
          stones: -1200,
          shouldersScalp: 200,
          handsArms: 200,
        },
      },
    ],
  },
  {
    id: 'suction',
    title: 'Suction',
    default: 'onOil',
    camps: [
      { id: 'onOil', sentence: 'On a little oil.', reason: 'it glides, and pulls less' },
      {
        id: 'dry',
        sentence: 'On bare, dry skin, hand first, three levels.',
        reason: 'draws better, with the small head beside the nose',
        uses: ['vacuumDry'],
        taste: { vacuumDry: 1200 },
      },
    ],
  },
  {
    id: 'current',
    title: 'Microcurrent',
    default: 'gelOff',
    camps: [
      { id: 'gelOff', sentence: 'On a thick gel that comes off.', reason: 'clean between steps' },
      {
        id: 'gelStays',
        sentence: 'On a leave-on gel whose rest is worked in.',
        reason: 'the gel cares as well, and nothing is wiped away',
        uses: ['microcurrentGel'],
        taste: { microcurrentGel: 600 },
      },
    ],
  },
  {
    id: 'masks',
    title: 'Masks',
    default: 'byZone',
    camps: [
      {
        id: 'allOver',
        sentence: 'One all over.',
        reason: 'calm and simple',
        layout: { one: 200, byZone: -400 },
      },
      {
        id: 'byZone',
        sentence: 'By zone.',
        reason: 'each zone gets what it lacks',
        layout: { byZone: 400 },
      },
      {
        id: 'inTurn',
        sentence: 'Two in turn: clear, then hydrate.',
        reason: 'first empty, then fill',
        inTurn: true,
        layout: { byZone: -200 },
      },
    ],
  },
  {
    id: 'underMask',
    title: 'Hands under a mask',
    default: 'strokes',
    camps: [
      { id: 'strokes', sentence: 'Slow strokes, no product.', reason: 'rest while it works' },
      {
        id: 'product',
        sentence: 'Arms and hands, with a product of their own.',
        reason: 'the time cares for more than the face',
        uses: ['armCare'],
        taste: { armCare: 400 },
      },
    ],
  },
  {
    id: 'dwell',
    title: 'How long a mask stays',
    default: 'look',
    camps: [
      {
        id: 'clock',
        sentence: 'By the clock, at the short end.',
        reason: 'never past what it needs',
        dwell: 'short',
      },
      {
        id: 'look',
        sentence: 'By the look, inside its window.',
        reason: 'earliest by clock, end by look, never past latest',
      },
      {
        id: 'long',
        sentence: 'Long is better, to the end of its window.',
        reason: 'let it work',
        dwell: 'long',
      },
    ],
  },
  {
    id: 'layering',
    title: 'Layering',
    default: 'oilLast',
    camps: [
      {
        id: 'oilLast',
        sentence: 'Thin to thick, oil last on damp skin.',
        reason: 'each layer sinks before the next',
        taste: { facialOil: 300 },
      },
      {
        id: 'waterAgain',
        sentence: 'Water, serum, water again, oil on damp skin.',
        reason: 'water is what oil keeps',
        taste: { facialOil: 1200, mist: 300 },
      },
      {
        id: 'oilEarly',
        sentence: 'Oil early, under the stones; water serums over it, by exception.',
        reason: 'the oil gives the slip, and the rest stays on',
        uses: ['stonesOnOil'],
        taste: { stonesOnOil: 1600 },
      },
      {
        id: 'noOil',
        sentence: 'No oil to finish.',
        reason: 'cream seals enough',
        taste: { facialOil: -800 },
      },
    ],
  },
  {
    id: 'spread',
    title: 'Spreading serum',
    default: 'palms',
    camps: [
      {
        id: 'palms',
        sentence: 'Warmed between palms and pressed.',
        reason: 'even and calm',
      },
      {
        id: 'fingertips',
        sentence: 'Fingertips only.',
        reason: 'none lost to the palm',
        hand: { serum: 'Fingertips only, patted in; none lost to the palm.' },
      },
    ],
  },
  {
    id: 'eye',
    title: 'Eye product',
    default: 'ring',
    camps: [
      {
        id: 'ring',
        sentence: 'A ring on the bone.',
        reason: 'it spreads on its own',
        taste: { eyeProduct: 300 },
      },
      {
        id: 'dab',
        sentence: 'A dab under the eye.',
        reason: 'least product near the lid',
        taste: { eyeProduct: 100 },
        hand: {
          eyeProduct: 'A dab under the eye, patted with the ring finger; nothing on the lid.',
        },
      },
    ],
  },
  {
    id: 'lips',
    title: 'Lips',
    default: 'balm',
    camps: [
      { id: 'balm', sentence: 'Balm.', reason: 'enough for most' },
      {
        id: 'serumFirst',
        sentence: 'A lip serum under the balm.',
        reason: 'water first, then what keeps it',
        uses: ['lipSerum'],
        taste: { lipSerum: 300 },
      },
    ],
  },
  {
    id: 'lastLayer',
    title: 'Last layer at night',
    default: 'cream',
    camps: [
      { id: 'cream', sentence: 'Cream, or oil on damp skin.', reason: 'seals enough' },
      {
        id: 'mask',
        sentence: 'A leave-on mask over the cream.',
        reason: 'works on overnight',
        uses: ['sleepMask'],
        taste: { sleepMask: 1400 },
      },
    ],
  },
  {
    id: 'lastTouch',
    title: 'What is left in the palms',
    default: 'wiped',
    camps: [
      { id: 'wiped', sentence: 'Is wiped away.', reason: 'clean hands for the next step' },
      {
        id: 'onwards',
        sentence: 'Goes on: cream to the hands, oil to hairline, ears and scalp.',
        reason: 'nothing is wasted, and hands are forgotten most',
        uses: ['restOfCream', 'restOfOil'],
        taste: { restOfCream: 200, restOfOil: 200 },
      },
      {
        id: 'massaged',
        sentence: 'Is the slip for a short finishing massage.',
        reason: 'what was laid is worked in',
        uses: ['finishMassage'],
        taste: { finishMassage: 300 },
      },
    ],
  },
  {
    id: 'finish',
    title: 'Finish',
    default: 'cool',
    camps: [
      {
        id: 'cool',
        sentence: 'Cool, not ice.',
        reason: 'warm to open, cool to end',
        taste: { cold: 300 },
      },
      {
        id: 'cloth',
        sentence: 'A cold cloth.',
        reason: 'cool without a tool',
        uses: ['coldCloth'],
        taste: { coldCloth: 700 },
      },
      {
        id: 'toneOnly',
        sentence: 'Just tone.',
        reason: 'quick and calm',
        taste: { cold: -300, tone: 100 },
      },
    ],
  },
  {
    id: 'courses',
    title: 'Serum courses',
    default: 'continuous',
    camps: [
      {
        id: 'continuous',
        sentence: 'Serum each visit.',
        reason: 'the skin is read each time',
        taste: { serum: 800, ampoule: 200 },
      },
      {
        id: 'monthOn',
        sentence: 'A month on, a month off: ampoules as a course.',
        reason: 'the skin rests from actives',
        taste: { serum: 500, ampoule: 600 },
      },
      {
        id: 'few',
        sentence: 'Few products.',
        reason: 'less to react to',
        taste: { serum: 300, ampoule: -200 },
      },
    ],
  },
  {
    id: 'homeRhythm',
    title: 'Exfoliation at home',
    default: 'byLoad',
    camps: [
      {
        id: 'byLoad',
        sentence: 'As often as the skin load allows.',
        reason: 'what the room pours in and what home pours in are one load',
      },
      {
        id: 'thirds',
        sentence: 'Every third evening at most.',
        reason: 'two quiet evenings after each',
        homeApart: 3,
      },
      {
        id: 'weekly',
        sentence: 'Once a week at most.',
        reason: 'the rest is done in the room',
        homeApart: 7,
      },
      {
        id: 'none',
        sentence: 'No acid and no scrub between visits.',
        reason: 'a machine once a month is enough',
        homeNone: true,
      },
    ],
  },
  {
    id: 'pace',
    title: 'Pace',
    default: 'even',
    camps: [
      {
        id: 'even',
        sentence: 'Nine to fifteen main steps an hour.',
        reason: 'each has its time, and much is seen to',
        turnCost: 100,
      },
      {
        id: 'quick',
        sentence: 'Many short steps.',
        reason: 'something for every wish',
        turnCost: 0,
      },
      {
        id: 'unhurried',
        sentence: 'Few steps, each with all its time.',
        reason: 'fewer turns of the hand, more rest',
        turnCost: 300,
        unhurried: true,
      },
    ],
  },
  {
    id: 'firstVisit',
    title: 'A first visit here',
    default: 'careful',
    camps: [
      {
        id: 'careful',
        sentence: 'One mild exfoliation, nothing strong.',
        reason: 'the skin is not known yet',
      },
      {
        id: 'asRead',
        sentence: 'As the skin reads, by licensed hands.',
        reason: 'an experienced eye knows at once; the load counts in full',
        boldFirst: true,
      },
    ],
  },
]
const BY_ID = new Map(POINTS.map((point) => [point.id, point]))

/** @throws RangeError for a camp that the point does not have */
export function campOf(point: PointId, camp: string): Camp {
  const found = BY_ID.get(point)?.camps.find((stand) => stand.id === camp)
  if (!found) throw new RangeError(`no camp ${camp} of ${point}`)
  return found
}
