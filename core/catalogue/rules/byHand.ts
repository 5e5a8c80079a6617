import { minutes } from '../../units'
import { COMMON_PRACTICE } from '../kinds'

/**
 * How long a medium glides. House scale: a thin sheen on the reference skin is taken up to a third
 * in ten minutes, faster on dry skin; below six tenths of it the hand begins to drag.
 */
export const SLIP = {
  id: 'slip-drags',
  sentence: 'A medium is topped up by drops before the hand begins to drag, sooner on dry skin.',
  sharePerMinute: 0.033,
  dryFactor: 1.6,
  dragsBelow: 0.6,
  /** Oil drops are smaller than water's. */
  oilDropMl: 0.035,
  source: COMMON_PRACTICE,
} as const

/**
 * How the minutes of a massage are shared out: by the area of each zone, and more where the muscle
 * is tense. House value: twice the time a square centimetre from firm (grade 2) on.
 */
export const KNEADING = {
  id: 'massage-shares',
  sentence: 'A massage takes its minutes by area, and longer where the hand found tension.',
  sharePerGrade: 0.5,
  /** From this grade on it is said of a zone. */
  saidFrom: 2,
  source: COMMON_PRACTICE,
} as const

/** When the room says that a step does not find the skin as it needs it. House value. */
export const SKIN_NOW = {
  id: 'skin-now',
  sentence:
    'A step that does not find the skin as it needs it, by what was done, is told so; half a minute either way is nothing.',
  grace: minutes(0.5),
  source: COMMON_PRACTICE,
} as const

/** A device is tried before it is stepped up. House value within common practice. */
export const LADDER = {
  id: 'device-ladder',
  sentence: 'A level is tried on a spot for a minute; one notch stronger only after it was calm.',
  tried: minutes(1),
  source: COMMON_PRACTICE,
} as const
