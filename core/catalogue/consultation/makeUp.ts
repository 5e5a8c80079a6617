import { minutes, type Minutes } from '../../units'
import { COMMON_PRACTICE } from '../kinds'

/** What is worn on the face when the client comes in. Nothing of it is a bare face. */
export const MAKE_UP_IDS = ['light', 'sunCream', 'layered', 'waterproof'] as const
export type MakeUpId = (typeof MAKE_UP_IDS)[number]

interface MakeUp {
  id: MakeUpId
  name: string
  /** Cleanses after the surface cleanse that it takes. */
  cleanses: 1 | 2
  /** Pads that the face usually takes until one stays clean. */
  facePads: number
  /** At eyes and lips, where it is worn there. */
  eyes?: { pads: number; soak: Minutes; minutes: Minutes }
  sentence: string
  source: string
}

/**
 * How each comes off. Common practice: a pad is held half a minute to a minute on each eye before
 * it is wiped; oil soaks on what is waterproof, and the lips come off meanwhile; cleansed twice in
 * make-up or sun cream, three times in heavy layers. Pads and minutes are house values.
 */
export const MAKE_UP: Readonly<Record<MakeUpId, MakeUp>> = {
  light: {
    id: 'light',
    name: 'light make-up',
    cleanses: 1,
    facePads: 2,
    eyes: { pads: 3, soak: minutes(0.5), minutes: minutes(2) },
    sentence: 'a pad an eye and one for the lips, held half a minute; milk, then one cleanse',
    source: COMMON_PRACTICE,
  },
  sunCream: {
    id: 'sunCream',
    name: 'sun cream',
    cleanses: 1,
    facePads: 2,
    sentence: 'cleansed twice, round the eyes too: milk, then one cleanse; oil lifts it best',
    source: COMMON_PRACTICE,
  },
  layered: {
    id: 'layered',
    name: 'heavy, in layers',
    cleanses: 2,
    facePads: 4,
    eyes: { pads: 4, soak: minutes(0.5), minutes: minutes(3) },
    sentence: 'three cleanses: milk, then oil where it may be had, then gel',
    source: COMMON_PRACTICE,
  },
  waterproof: {
    id: 'waterproof',
    name: 'waterproof at the eyes',
    cleanses: 1,
    facePads: 2,
    eyes: { pads: 5, soak: minutes(1), minutes: minutes(4) },
    sentence: 'the remover soaks a minute on closed eyes, the lips come off meanwhile',
    source: COMMON_PRACTICE,
  },
}

/** What is reckoned with while nobody has asked: a face that comes off like one in light make-up. */
export const UNASKED_MAKE_UP: readonly MakeUpId[] = ['light']

/** Light and layers do not stand together: the one takes the place of the other. */
export const instead = (one: MakeUpId, other: MakeUpId): boolean =>
  [one, other].includes('light') && [one, other].includes('layered')

/** A set as it is kept: in the order of the rows, each once, the heavier of two that exclude. */
export const asWorn = (worn: readonly MakeUpId[]): MakeUpId[] =>
  MAKE_UP_IDS.filter((id) => worn.includes(id) && !(id === 'light' && worn.includes('layered')))

/** Eyes and lips are made-up, so that they come first. */
export const eyesMadeUp = (worn: readonly MakeUpId[]): boolean =>
  worn.some((id) => MAKE_UP[id].eyes !== undefined)

/** What everything that is worn asks for together: the most of each. */
interface TakeOff {
  /** After the surface cleanse; a bare face has one as well. */
  cleanses: number
  facePads: number
  eyePads: number
  soak: Minutes
  /** For eyes and lips, the soak within it. */
  eyesMinutes: Minutes
  /** The soak is long enough for the lips. */
  lipsMeanwhile: boolean
}
/** From this soak on there is time for the lips. House value. */
const LIPS_FROM = 1

/**
 * What taking off this make-up asks: pads, soak in minutes, cleanses; the heaviest of all that is worn.
 */
export function takeOff(worn: readonly MakeUpId[]): TakeOff {
  const rows = worn.map((id) => MAKE_UP[id])
  const most = (of: (row: MakeUp) => number, least: number) => Math.max(least, ...rows.map(of))
  const soak = minutes(most(({ eyes }) => eyes?.soak ?? 0, 0))
  return {
    cleanses: most((row) => row.cleanses, 1),
    facePads: most((row) => row.facePads, 1),
    eyePads: most(({ eyes }) => eyes?.pads ?? 0, 0),
    soak,
    eyesMinutes: minutes(most(({ eyes }) => eyes?.minutes ?? 0, 0)),
    lipsMeanwhile: soak >= LIPS_FROM,
  }
}

/** "heavy, in layers; waterproof at the eyes", or nothing. */
export const wornWords = (worn: readonly MakeUpId[] | null): string =>
  worn === null
    ? 'not asked'
    : worn.length === 0
      ? 'nothing'
      : worn.map((id) => MAKE_UP[id].name).join('; ')

/** How it comes off, in words for the therapist: what it means for the visit. */
export function takeOffWords(worn: readonly MakeUpId[]): string {
  const { cleanses, eyePads, soak, eyesMinutes, lipsMeanwhile } = takeOff(worn)
  const washes = `milk, then ${cleanses === 1 ? 'one cleanse' : `${cleanses} cleanses`}`
  if (eyesMinutes === 0) return `${washes}; nothing to take off at eyes and lips`
  const held = `held ${soak * 60} s${lipsMeanwhile ? ', the lips off meanwhile' : ''}`
  return `Eyes and lips: ${eyesMinutes} min, ${eyePads} pads, ${held}. Then ${washes}.`
}
