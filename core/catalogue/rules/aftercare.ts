import type { FindingId } from '../consultation/findings'
import { COMMON_PRACTICE, type FamilyId } from '../kinds'

export const TOPIC_IDS = ['sun', 'makeUp', 'exfoliation', 'heat', 'products', 'touch'] as const
export type AftercareTopic = (typeof TOPIC_IDS)[number]
export const AFTERCARE_TITLES: Readonly<Record<AftercareTopic, string>> = {
  sun: 'Sun',
  makeUp: 'Make-up',
  exfoliation: 'Exfoliating at home',
  heat: 'Sauna, sport, hot water',
  products: 'Creams and serums',
  touch: 'Hands and touch',
}

/** What a line forbids or asks for, in parts: a line goes only where another holds all of it. */
export type AftercarePart =
  | 'strongSun'
  | 'anySun'
  | 'sunProtection'
  | 'makeUp'
  | 'scrub'
  | 'acid'
  | 'shave'
  | 'sauna'
  | 'sport'
  | 'pool'
  | 'bath'
  | 'everything'
  | 'allButPlain'
  | 'actives'
  | 'retinoid'
  | 'fragrance'
  | 'hands'
  | 'pillow'
  | 'press'
  | 'finishIt'
  | 'leaveOn'
/** While one of these is asked for, the skin has plain care only. */
export const PLAIN_CARE_ONLY: readonly AftercarePart[] = ['everything', 'allButPlain']

/**
 * What a piece of work asks of the client afterwards. A row stands unless another of the visit asks
 * for all that it does, for as long.
 */
export interface AftercareRow {
  id: string
  /** Only for skin that marks, or with what makes it mind the light. */
  marks?: true
  /**
   * Work of these families, any work, a stop, half of a piece that is left, a mask slept in, something
   * that reacts to light.
   */
  after: readonly FamilyId[] | 'any' | 'stopped' | 'halfLeft' | 'overnight' | 'lightReactive'
  topic: AftercareTopic
  hours: number
  /** The sentence names its own time, "tomorrow morning": no end is said beside it. */
  saysWhen?: true
  asks: readonly AftercarePart[]
  sentence: string
  why: string
  source: string
}
const row = (
  id: string,
  after: AftercareRow['after'],
  topic: AftercareTopic,
  hours: number,
  asks: readonly AftercarePart[],
  sentence: string,
  why: string,
  source = COMMON_PRACTICE,
): AftercareRow => ({
  id,
  after,
  topic,
  hours,
  asks,
  sentence,
  why,
  source,
})

export const AFTERCARE: readonly AftercareRow[] = [
  {
    ...row(
      'mask-overnight',
      'overnight',
      'touch',
      24,
      ['leaveOn'],
      'Leave the mask on overnight; wash it off with lukewarm water in the morning.',
      'it works while you sleep',
    ),
    saysWhen: true,
  },
  {
    ...row(
      'half-ampoule',
      'halfLeft',
      'products',
      24,
      ['finishIt'],
      'The other half of the ampoule: tomorrow morning, then throw it away.',
      'once opened it keeps until next morning',
    ),
    saysWhen: true,
  },
  row(
    'sun-tip',
    ['abrasion', 'needling', 'blade', 'peel'],
    'sun',
    48,
    ['strongSun', 'sunProtection'],
    'Keep out of strong sun; sun protection every morning, two fingers long, again every two hours outdoors.',
    'fresh skin burns and marks',
  ),
  {
    ...row(
      'sun-marks',
      ['abrasion', 'needling', 'blade', 'peel', 'acid', 'enzyme', 'retinoid', 'friction', 'heat'],
      'sun',
      336,
      ['strongSun', 'sunProtection'],
      'Keep out of strong sun, wear a hat; sun protection every morning, two fingers long, again every two hours outdoors.',
      'your skin marks easily, and light brings the marks back',
    ),
    marks: true,
  },
  row(
    'sun-citrus',
    'lightReactive',
    'sun',
    12,
    ['anySun'],
    'No sun on your face, not even through a window.',
    'something with citrus was used, and it reacts to light',
    'Tisserand & Young, Essential Oil Safety, 2nd ed. 2014 (value from memory)',
  ),
  row(
    'sun-acid',
    ['acid', 'enzyme', 'retinoid'],
    'sun',
    168,
    ['sunProtection'],
    'Sun protection every morning, two fingers long, again every two hours outdoors.',
    'the surface is thinner for some days',
    'FDA guidance on AHA labelling, 2005 (value from memory) for acids; common practice for enzyme',
  ),
  {
    ...row(
      'sun-any',
      'any',
      'sun',
      24,
      ['sunProtection'],
      'Sun protection tomorrow morning, two fingers long for face and neck.',
      'freshly cleansed skin burns more easily',
    ),
    saysWhen: true,
  },
  row(
    'makeup-tip',
    ['abrasion', 'needling', 'blade', 'peel'],
    'makeUp',
    24,
    ['makeUp'],
    'No make-up.',
    'nothing to be worked into fresh skin',
  ),
  row(
    'makeup-worked',
    ['extraction', 'acid', 'enzyme', 'browBlade', 'vacuum'],
    'makeUp',
    12,
    ['makeUp'],
    'No make-up.',
    'pores and skin were worked on and stay open to what is put on',
  ),
  row(
    'makeup-any',
    'any',
    'makeUp',
    0.5,
    ['makeUp'],
    'Wait half an hour before make-up.',
    'the last layer must settle',
  ),
  row(
    'exfoliate-tip',
    ['abrasion', 'needling', 'peel'],
    'exfoliation',
    672,
    ['scrub', 'acid'],
    'No scrub, acid or peel.',
    'the skin renews itself over four weeks',
  ),
  row(
    'exfoliate-blade',
    ['blade'],
    'exfoliation',
    336,
    ['scrub', 'acid', 'shave'],
    'No scrub, acid or peel; do not shave it yourself.',
    'the blade has taken the dullest layer',
  ),
  row(
    'exfoliate-enzyme',
    ['acid', 'enzyme'],
    'exfoliation',
    168,
    ['scrub', 'acid'],
    'No scrub, acid or peel.',
    'your skin was exfoliated today',
  ),
  row(
    'exfoliate-grain',
    ['friction'],
    'exfoliation',
    72,
    ['scrub', 'acid'],
    'No scrub, acid or peel.',
    'your skin was exfoliated today',
  ),
  row(
    'exfoliate-any',
    'any',
    'exfoliation',
    24,
    ['scrub', 'acid'],
    'No scrub or acid.',
    'your skin was cleansed deeply today',
  ),
  row(
    'heat-tip',
    ['abrasion', 'needling', 'blade', 'peel'],
    'heat',
    48,
    ['sauna', 'sport', 'pool', 'bath'],
    'No sauna, hard sport, pool or hot bath.',
    'heat reddens fresh skin',
  ),
  row(
    'heat-steam',
    ['heat', 'friction', 'enzyme'],
    'heat',
    24,
    ['sauna', 'bath'],
    'No sauna or hot bath.',
    'heat reddens skin that was warmed or worked on',
  ),
  row(
    'products-tip',
    ['abrasion', 'needling'],
    'products',
    12,
    ['everything'],
    'Put nothing more on it.',
    'the visit ended with what the skin needs',
  ),
  row(
    'products-calm',
    ['abrasion', 'needling'],
    'products',
    48,
    ['actives', 'retinoid', 'fragrance', 'allButPlain'],
    'After that only your calming cream.',
    'fresh skin absorbs more than it should',
  ),
  row(
    'products-needling',
    ['needling'],
    'products',
    168,
    ['actives', 'retinoid', 'fragrance', 'allButPlain'],
    'Only your bland cream; no vitamin C, retinoid or fragrance.',
    'the channels close within a day, the skin settles over a week',
  ),
  row(
    'products-peel',
    ['peel'],
    'products',
    168,
    ['actives', 'retinoid', 'fragrance', 'allButPlain'],
    'Only your plain cream; no vitamin C, retinoid or fragrance.',
    'the new surface is thin for a week',
  ),
  row(
    'products-strong',
    ['abrasion'],
    'products',
    168,
    ['actives', 'retinoid'],
    'No retinoid or vitamin C.',
    'fresh skin lets in more of them than it should',
  ),
  row(
    'products-acid',
    ['acid', 'enzyme'],
    'products',
    48,
    ['actives', 'retinoid'],
    'No retinoid or vitamin C; only gentle things that you know.',
    'two actives at once irritate',
  ),
  row(
    'products-any',
    'any',
    'products',
    24,
    ['retinoid'],
    'No retinoid.',
    'freshly cleansed skin absorbs more',
  ),
  row(
    'touch-extraction',
    ['extraction'],
    'touch',
    24,
    ['hands', 'pillow', 'press'],
    'Do not touch your face or press where something was taken out; a fresh pillowcase.',
    'cleared pores close on their own',
  ),
  row(
    'touch-any',
    'any',
    'touch',
    24,
    ['hands', 'pillow'],
    'Do not touch your face; a fresh pillowcase.',
    'clean skin stays clean',
  ),
  row(
    'stopped-products',
    'stopped',
    'products',
    72,
    ['actives', 'retinoid', 'fragrance', 'allButPlain'],
    'Only cool water and your plainest cream.',
    'the skin reacted today',
  ),
  row(
    'stopped-heat',
    'stopped',
    'heat',
    72,
    ['sauna', 'sport', 'bath'],
    'No sauna, sport or hot water on the face.',
    'the skin reacted today',
  ),
  row(
    'stopped-sun',
    'stopped',
    'sun',
    168,
    ['strongSun'],
    'Keep the face out of the sun.',
    'irritated skin marks',
  ),
]

/** Answers with which the lines on sun are stricter. Common practice. */
export const MINDS_LIGHT: readonly FindingId[] = [
  'melasma',
  'darkMarks',
  'lightMedicine',
  'lightDisease',
  'retinoid',
  'isotretinoin',
]

/** A rest at least so long is one of days: it ends with its day, a shorter one at its hour. */
export const DAYS_FROM_HOURS = 40
