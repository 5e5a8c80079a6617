import { COMMON_PRACTICE } from '../kinds'

export const OUTCOME_IDS = ['expected', 'watch', 'call', 'doctor', 'emergency'] as const
/** What an answer from home means, the mildest first. */
export type OutcomeId = (typeof OUTCOME_IDS)[number]
export const OUTCOMES: Readonly<
  Record<OutcomeId, { word: string; toClient: string; days: number | null }>
> = {
  expected: {
    word: 'as expected',
    toClient: 'That is as expected. Go on with what your card says.',
    days: null,
  },
  watch: {
    word: 'watch',
    toClient: 'Watch it: cool water, your plain cream, nothing new. We ask again tomorrow.',
    days: 1,
  },
  call: {
    word: 'call today',
    toClient: 'Please call us today. Until then only cool water and your plainest cream.',
    days: 1,
  },
  doctor: {
    word: 'doctor',
    toClient: 'Please see a doctor today, and let us know. Put nothing on it but cool water.',
    days: 1,
  },
  emergency: {
    word: 'emergency',
    toClient: 'This is an emergency: call the emergency number now.',
    days: null,
  },
}

/** One question to the client: what they tap, and what each answer means by the day it is given. */
export interface SignRow {
  id: SignId
  asks: string
  choices: readonly {
    value: string
    word: string
    /** By itself, while the forecast still allows for it and after. */
    expected: OutcomeId
    after: OutcomeId
  }[]
  /** Asked only beside this one, where it is not at its mildest. */
  askedWith?: SignId
  /** Forecast rows that allow for it. */
  allows: readonly string[]
  source: string
}
type Choice = readonly [value: string, word: string, expected: OutcomeId, after?: OutcomeId]
const sign = (
  id: SignId,
  asks: string,
  allows: readonly string[],
  ...choices: readonly Choice[]
): SignRow => ({
  ...{ id, asks, allows },
  choices: choices.map(([value, word, expected, after = expected]) => ({
    ...{ value, word, expected, after },
  })),
  source: COMMON_PRACTICE,
})
export const SIGN_IDS = [
  'feel',
  'redness',
  'itch',
  'swelling',
  'spots',
  'spotsWhere',
  'blisters',
  'eyes',
  'fever',
  'breath',
] as const
export type SignId = (typeof SIGN_IDS)[number]
const PINK = ['pink-strong', 'pink', 'dots-taken-out', 'reacted']

/** The mildest answer of each stands first. */
export const SIGNS: readonly SignRow[] = [
  sign(
    'feel',
    'How does your face feel?',
    [...PINK, 'flaking', 'flaking-needling'],
    ['soft', 'soft, as usual', 'expected'],
    ['tight', 'tight or dry', 'expected', 'watch'],
    ['sore', 'sore', 'watch', 'call'],
    ['burning', 'burning', 'call'],
  ),
  sign(
    'redness',
    'Redness?',
    PINK,
    ['none', 'none', 'expected'],
    ['little', 'a little', 'expected', 'watch'],
    ['strong', 'strong', 'watch', 'call'],
    ['spreading', 'it spreads or grows', 'doctor'],
  ),
  sign(
    'itch',
    'Itching?',
    [],
    ['none', 'none', 'expected'],
    ['little', 'a little', 'watch'],
    ['strong', 'strong', 'call'],
  ),
  sign(
    'swelling',
    'Swelling?',
    ['pink-strong'],
    ['none', 'none', 'expected'],
    ['little', 'a little, where you were treated', 'watch', 'call'],
    ['face', 'the face', 'doctor'],
    ['lipsEyes', 'lips or eyelids', 'emergency'],
  ),
  sign(
    'spots',
    'New spots?',
    ['few-spots'],
    ['none', 'none', 'expected'],
    ['few', 'a few small ones', 'expected', 'watch'],
    ['many', 'many', 'watch', 'call'],
    ['painful', 'painful or deep ones', 'call'],
  ),
  {
    ...sign(
      'spotsWhere',
      'Where are the spots?',
      [],
      ['usual', 'where I usually get them, or none', 'expected'],
      ['new', 'in new places', 'call'],
    ),
    askedWith: 'spots',
  },
  sign(
    'blisters',
    'Blisters, weeping or crusts?',
    [],
    ['no', 'no', 'expected'],
    ['yes', 'yes', 'doctor'],
  ),
  sign(
    'eyes',
    'Trouble with your eyes or your sight?',
    [],
    ['no', 'no', 'expected'],
    ['yes', 'yes', 'doctor'],
  ),
  sign('fever', 'Fever, or feeling ill?', [], ['no', 'no', 'expected'], ['yes', 'yes', 'doctor']),
  sign(
    'breath',
    'Trouble breathing, or a swollen tongue?',
    [],
    ['no', 'no', 'expected'],
    ['yes', 'yes', 'emergency'],
  ),
]
/** Signs that make each other worse: spots that itch are a reaction, not what clears itself. */
export const SIGN_PAIRS: readonly {
  one: SignId
  other: SignId
  outcome: OutcomeId
}[] = [{ one: 'spots', other: 'itch', outcome: 'call' }]
/** From this on a visit was not taken well. */
export const NOT_WELL_FROM: OutcomeId = 'call'
