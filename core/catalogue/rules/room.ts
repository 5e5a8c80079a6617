import type { PreferenceId } from '../consultation/preferences'
import type { BottleFamily, StageId } from '../kinds'
import type { AbsorbedGrade } from '../products/watering'

/** From so long on a step at hand is taken to have begun, minutes (common practice). */
export const BEGUN_AFTER_MINUTES = 0.5
/** What is told of a bottle that holds something, before the client goes. Common practice. */
export const BOTTLE_SAYS: readonly { holds: BottleFamily | 'lightReactive'; say: string }[] = [
  {
    holds: 'retinoid',
    say: 'This one makes skin mind the sun: sun protection every morning from tomorrow.',
  },
  {
    holds: 'lightReactive',
    say: 'There is citrus in this: no sun on your face for the next twelve hours.',
  },
]
/** Words are said this long before their moment, so that they are not late. Minutes, house value. */
export const SAID_AHEAD_MINUTES = 0.1
/** Drainage that is worth a node opened first, minutes. House value. */
export const NODES_FROM_MINUTES = 3
/** How long a node is held, half minutes. House value. */
export const NODE_TICKS = 1
/** A visit tapped through in less than this share of its minutes was not timed. House value. */
export const RUSHED_SHARE = 1 / 4
/** So many masks rest at once at most. Common practice. */
export const MOST_MASKS = 4
/** How far the room looks ahead for what is laid or comes off next, minutes. House value. */
export const LOOK_AHEAD_MINUTES = 60
/** So much that rests is weighed against each other for what comes off next. */
export const MOST_COMING_OFF = 6
/** Stages at which the hand kneads or glides, so that minutes and slip go by zone. */
export const KNEADED: StageId = 'massage'
/** Stages of which the pads are counted. */
export const PADDED: Readonly<Partial<Record<StageId, 'eyePads' | 'facePads'>>> = {
  eyesOff: 'eyePads',
  surfaceCleanse: 'facePads',
}
/** At which stage a client's wish is said again. */
export const WISH_SAID_AT: Readonly<Partial<Record<PreferenceId, StageId | 'always'>>> = {
  pressure: 'massage',
  lying: 'settle',
  talk: 'always',
}
/** A step of at least so many minutes says at which zone the hand is. House value. */
export const ZONE_NAMED_FROM = 3
/** What a thirsty zone is said to have done, until it is said otherwise. */
export const ABSORBED_FIRST: AbsorbedGrade = 3
/** From so many minutes on a step is worth doing one half after the other. House value. */
export const SPLIT_FROM = 1
/** Skin that counts as mature where nothing else says so, years. House value. */
export const MATURE_FROM = 50
