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
const r = (id: string, sentence: string): StopRule => ({ id, sentence, source: COMMON_PRACTICE })
/**
 * Redness is judged against the zone's own baseline at the start; sensation on its own scale,
 * whatever the redness.
 */
export const STOP_RULES = {
  sign: r('stop-sign', 'This sign ends the step on every zone.'),
  rednessHigh: r('stop-redness-3', 'Redness of 3 or more.'),
  rednessRise: r('stop-redness-rise', "Redness two above this zone's baseline."),
  exfoliationRise: r(
    'end-zone-redness',
    'One above baseline while exfoliating: end the step on this zone.',
  ),
  sensationBurn: r('stop-sensation', 'A sensation of 7 or more is burning: off now.'),
  sensationSting: r('shorten-sensation', 'Stinging: shorten, and ask again in a minute.'),
  tingle: r('keep-sensation', 'Tingle is common.'),
} as const

/** What is done after a stop, in order. */
export const STOP_STEPS = ['removed', 'cooled', 'noActives', 'form', 'card'] as const
export type StopStepId = (typeof STOP_STEPS)[number]
export const STOP_STEP_WORDS: Readonly<Record<StopStepId, string>> = {
  removed: 'Take everything off with cool water',
  cooled: 'Cold compress, two minutes',
  noActives: 'Nothing active any more today',
  form: 'Write down what happened',
  card: 'Give the emergency card',
}

/** One-tap notes in the room. */
export const ROOM_NOTES = [
  'drank the mask',
  'faint pink, even',
  'asleep',
  'asked for more pressure',
  'asked for less pressure',
  'neck tense',
  'pad came clean',
  'eyes watered',
] as const
export const SKIP_REASONS = [
  'no time left',
  'client asked',
  'skin not ready',
  'product ran out',
  'device not ready',
] as const
