import type { RegionId } from '../../face/zones'
import { EXFOLIATING, type FamilyId, type StageId } from '../kinds'

/**
 * Work that goes only where its reason is: a zone that needs nothing of what it does is left alone,
 * even if it could bear it (common practice).
 */
export const ONLY_WHERE_ASKED: readonly FamilyId[] = [
  'extraction',
  'friction',
  'acid',
  'peel',
  'ultrasound',
  'abrasion',
  'vacuum',
  'needling',
  'blade',
]
/** Belong to cleansing, hydration and sun protection; to work only where they are named. */
export const ONLY_WHERE_NAMED: readonly RegionId[] = ['neck', 'decollete']

/** Work that may show for days, so that it is not tried for the first time before an event. */
export const LEAVES_A_MARK: readonly FamilyId[] = [
  ...EXFOLIATING,
  'peel',
  'vacuum',
  'extraction',
  'ultrasound',
  'highFrequency',
  'microcurrent',
  'lamp',
  'clay',
]
/** The last days before an event, in which nothing is new to the client (common practice). */
export const EVENT_DAYS = 7

/** Redness or sensitivity from this grade on asks for calm by itself (house scale). */
export const CALM_FROM = 2

/** Stages that give something to the skin, which no exfoliation may rub off again. */
export const GIVING: readonly StageId[] = ['massage', 'mask']
/** Work that a record names besides what takes something off. */
export const NAMED_BESIDES: readonly FamilyId[] = ['highFrequency']
/** From this on of 10 something was felt too much (common practice). */
export const TOO_MUCH_FELT = 5
/** After so many products under it the cream is a light one. */
export const MANY_LAYERS = 3

/** Young skin: under this age nothing above this rung, whoever asks (common practice). */
export const YOUNG = {
  rule: 'young-skin',
  underAge: 18,
  rungMost: 2,
  text: 'under 18: nothing strong',
} as const
