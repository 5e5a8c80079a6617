import type { GroupId } from '../../face/regions'
import { minutes, type Minutes } from '../../units'
import type { TechniqueId } from '../techniques/techniques'
import { COMMON_PRACTICE } from '../kinds'

/** Signs that may be seen or said in the room. `breathing` and `swelling` also call for help. */
export const SIGN_IDS = [
  'burning',
  'heat',
  'wheals',
  'swelling',
  'whitePatches',
  'blood',
  'handUp',
  'breathing',
] as const
export type SignId = (typeof SIGN_IDS)[number]
export const SIGN_NAMES: Readonly<Record<SignId, string>> = {
  burning: 'Burning',
  heat: 'Hot to touch',
  wheals: 'Wheals',
  swelling: 'Swelling',
  whitePatches: 'White patches',
  blood: 'Blood',
  handUp: 'Hand up',
  breathing: 'Trouble breathing',
}
export const CALL_HELP: readonly SignId[] = ['breathing', 'swelling']

export interface StopRule {
  id: string
  sentence: string
  source: string
}
/** A rule that holds from a grade on, or from so many grades above the zone's own baseline. */
interface GradedRule extends StopRule {
  grade: number
}
const rule = (id: string, sentence: string): StopRule => ({
  id,
  sentence,
  source: COMMON_PRACTICE,
})
const graded = (id: string, grade: number, sentence: string): GradedRule => ({
  ...rule(id, sentence),
  grade,
})
const COUNT = ['none', 'One', 'Two', 'Three', 'Four'] as const

/** Two scales, kept apart: redness 0–4 by zone, sensation 0–10 whatever the redness. */
const REDNESS_HIGH = 3
const REDNESS_RISE = 2
const EXFOLIATION_RISE = 1
const BURNING_FROM = 7
const STINGING_FROM = 4
const TINGLE_FROM = 1

/**
 * Redness is judged against the zone's own baseline at the start; sensation on its own scale,
 * whatever the redness.
 */
export const STOP_RULES = {
  sign: rule('stop-sign', 'This sign ends the step on every zone.'),
  rednessHigh: graded('stop-redness-3', REDNESS_HIGH, `Redness of ${REDNESS_HIGH} or more.`),
  rednessRise: graded(
    'stop-redness-rise',
    REDNESS_RISE,
    `Redness ${COUNT[REDNESS_RISE]?.toLowerCase()} above this zone's baseline.`,
  ),
  exfoliationRise: graded(
    'end-zone-redness',
    EXFOLIATION_RISE,
    `${COUNT[EXFOLIATION_RISE]} above baseline while exfoliating: end the step on this zone.`,
  ),
  sensationBurn: graded(
    'stop-sensation',
    BURNING_FROM,
    `A sensation of ${BURNING_FROM} or more is burning: off now.`,
  ),
  sensationSting: graded(
    'shorten-sensation',
    STINGING_FROM,
    `A sensation of ${STINGING_FROM} or more is stinging: shorten, and ask again in a minute.`,
  ),
  tingle: rule('keep-sensation', 'Tingle is common where something works.'),
  unexpected: rule('ask-sensation', 'Tingle without anything that works there is asked about.'),
  rednessExpected: rule(
    'keep-redness',
    'A faint pink of warmth and touch fades within half an hour.',
  ),
  readItBare: rule(
    'read-bare-first',
    'Redness is held against the bare reading, not the made-up one.',
  ),
} as const

/** The scale of sensation in words, as the rules cut it. */
export const SENSATION_SCALE: readonly { from: number; to: number; word: string }[] = [
  { from: 0, to: TINGLE_FROM - 1, word: 'nothing' },
  { from: TINGLE_FROM, to: STINGING_FROM - 1, word: 'tingle' },
  { from: STINGING_FROM, to: BURNING_FROM - 1, word: 'sting' },
  { from: BURNING_FROM, to: 10, word: 'burning' },
]
const range = ({ from, to }: { from: number; to: number }) =>
  from === to ? `${from}` : `${from}–${to}`
/** "0 nothing, 1–3 tingle, 4–6 sting, 7–10 burning". */
export const SENSATION_WORDS = SENSATION_SCALE.map((step) => `${range(step)} ${step.word}`).join(
  ', ',
)

/** What is done after a stop, in order. */
export const STOP_STEPS = ['removed', 'cooled', 'noActives', 'form', 'card'] as const
export type StopStepId = (typeof STOP_STEPS)[number]
export const STOP_STEP_WORDS: Readonly<Record<StopStepId, string>> = {
  removed: 'Take everything off with cool water',
  cooled: 'Cold compress, two minutes',
  noActives: 'Nothing active for the rest of today',
  form: 'Write down what happened',
  card: 'Give the emergency card',
}

/** One-tap notes in the room. */
export const ROOM_NOTES = [
  'absorbed the mask at once',
  'faint pink, even',
  'asleep',
  'asked for more pressure',
  'asked for less pressure',
  'neck tense',
  'pad came clean',
  'eyes watered',
] as const
/** Why a step ends although its cue has not come. */
export const ENDED_BECAUSE = [
  'enough for this skin',
  'client asked',
  'no time left',
  'judged differently',
] as const
/** Why another bottle is used than the one planned. */
export const SWAP_REASONS = [
  'ran out',
  'suits the skin better today',
  'client asked',
  'smells or looks off',
] as const
export const SKIP_REASONS = [
  'no time left',
  'client asked',
  'skin not ready',
  'product ran out',
  'device not ready',
] as const
/** Why a step went otherwise than planned, where a colleague would ask. */
export const OTHERWISE_REASONS = [
  'as the skin took it',
  'client asked',
  'called away',
  'tapped late',
  'by mistake',
] as const

/** What remains of a visit after a stop: all off, cool, a plain calming finish. In this order. */
export const AFTER_STOP: readonly {
  technique: TechniqueId
  minutes: Minutes
  /** Zones that it covers; none: it is done on no zone. */
  group?: GroupId
  /** Done whoever the client is, and whatever is barred. */
  must?: true
  byDay?: true
}[] = [
  { technique: 'rinse', minutes: minutes(2), group: 'faceNeckDecollete', must: true },
  { technique: 'cold', minutes: minutes(2), group: 'face' },
  { technique: 'moisturiser', minutes: minutes(1), group: 'faceNeckDecollete' },
  { technique: 'wait', minutes: minutes(1), byDay: true },
  { technique: 'sunProtection', minutes: minutes(1), group: 'faceNeckDecollete', byDay: true },
  { technique: 'close', minutes: minutes(3), must: true },
]
