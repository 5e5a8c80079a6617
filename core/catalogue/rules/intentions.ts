import type { ConcernId, StageId } from '../kinds'
import type { TechniqueId } from '../techniques/techniques'

/** What a line of work does for its intention, and when. */
export type Part =
  'work' | 'takeOut' | 'soften' | 'settle' | 'hands' | 'light' | 'mask' | 'cool' | 'brows'

/**
 * One line of work of an intention. One of its workers does it, on the zones that ask; the milder of
 * the others may stand in for it where it may not be done.
 */
export interface Line {
  part: Part
  workers: readonly TechniqueId[]
  /** Only beside this part of the same visit: it prepares for it, or settles what it stirred. */
  beside?: Part
  /** Only where one of these does that part. */
  before?: readonly TechniqueId[]
  /** What it does for that part, as it is said beside the step. */
  helps?: string
  /** Kept to zones that show what the client minds; without it wherever the technique is done. */
  where?: 'asked'
  /** Takes all the time that a step of this kind may have, not only its usual. */
  long?: true
}

/** What a visit may be for: how it is worked towards, the part that matters most first. */
export interface Intention {
  lines: readonly Line[]
}

const line = (
  part: Part,
  workers: readonly TechniqueId[],
  more: Omit<Line, 'part' | 'workers'> = {},
): Line => ({ part, workers, ...more })

/** What loosens dead cells, the milder of two that serve alike first. */
const EXFOLIATE = line(
  'work',
  [
    'enzyme',
    'acidMask',
    'rollOff',
    'grain',
    'exfoliatingMask',
    'resurfacingMask',
    'tip',
    'crystals',
    'salonPeel',
    'blade',
    'needling',
  ],
  { where: 'asked' },
)
const RESTFUL: readonly TechniqueId[] = [
  // What rests most first.
  'massage',
  'stones',
  'stonesOnOil',
  'toningMassage',
]
const COOLING: readonly TechniqueId[] = [
  // Never before anything warm.
  'cold',
  'coldCloth',
]
const COOL = line('cool', COOLING)

/**
 * What each intention is worked towards with (common practice). A working step without one of these
 * behind it has no place in a plan, unless it is named by hand.
 */
export const INTENTIONS: Readonly<Record<ConcernId, Intention>> = {
  dehydration: { lines: [line('mask', ['hydratingMask', 'sheetMask', 'creamMask'])] },
  congestion: {
    lines: [
      line(
        'work',
        [
          'enzyme',
          'acidMask',
          'spatula',
          'rollOff',
          'grain',
          'vacuumDry',
          'tip',
          'crystals',
          'salonPeel',
        ],
        { where: 'asked' },
      ),
      line('takeOut', ['extraction'], { where: 'asked' }),
      line('soften', ['steam', 'warmTowel'], {
        beside: 'takeOut',
        helps: 'softens for the extraction',
      }),
      line('settle', ['highFrequency', 'cold'], {
        beside: 'takeOut',
        helps: 'calms after the extraction',
      }),
      line('mask', ['clay', 'freshMask'], { where: 'asked' }),
    ],
  },
  shine: {
    lines: [line('mask', ['clay', 'freshMask'], { where: 'asked' })],
  },
  redness: { lines: [line('mask', ['hydratingMask', 'sheetMask', 'creamMask']), COOL] },
  dullness: { lines: [EXFOLIATE, line('mask', ['hydratingMask', 'sheetMask', 'freshMask'])] },
  firmness: {
    lines: [
      line('hands', [
        'toningMassage',
        'microcurrent',
        'microcurrentGel',
        'stones',
        'stonesOnOil',
        'massage',
        'vacuumGlide',
      ]),
      line('mask', ['hardeningMask', 'creamMask', 'hydratingMask']),
      line('light', ['redLamp']),
    ],
  },
  rest: {
    lines: [
      line('hands', RESTFUL, { long: true }),
      line('mask', ['creamMask', 'hydratingMask']),
      line('soften', ['warmTowel'], {
        beside: 'hands',
        before: ['massage', 'toningMassage'],
        helps: 'warmth before the massage',
      }),
    ],
  },
  breakouts: {
    lines: [
      line('light', ['blueLamp']),
      line('mask', ['clay'], { where: 'asked' }),
      line('settle', ['highFrequency'], { where: 'asked' }),
    ],
  },
  marks: {
    lines: [
      line('work', ['acidMask', 'enzyme', 'resurfacingMask', 'tip', 'salonPeel', 'needling'], {
        where: 'asked',
      }),
      line('mask', ['hydratingMask', 'creamMask']),
    ],
  },
  lines: {
    lines: [
      line('light', ['redLamp']),
      line('hands', [
        'microcurrent',
        'microcurrentGel',
        'toningMassage',
        'stones',
        'stonesOnOil',
        'massage',
      ]),
      line('work', ['needling'], { where: 'asked' }),
      line('mask', ['hydratingMask', 'sheetMask', 'creamMask']),
    ],
  },
  puffyFace: {
    lines: [
      line('hands', ['stones', 'stonesOnOil', 'massage', 'toningMassage'], { where: 'asked' }),
      COOL,
    ],
  },
  puffyEyes: {
    lines: [
      line('mask', ['eyeMask']),
      COOL,
      line('hands', ['stones', 'stonesOnOil'], { where: 'asked' }),
    ],
  },
  tonight: {
    lines: [
      line('hands', [
        'toningMassage',
        'microcurrent',
        'microcurrentGel',
        'massage',
        'stones',
        'stonesOnOil',
      ]),
      line('brows', ['browTidy']),
      line('mask', ['sheetMask', 'hydratingMask', 'creamMask']),
    ],
  },
}

/** What a visit is for that nobody asked anything of. */
export const CALM_WORDS = 'calm and protected skin'

/** How many intentions a visit carries: from so many minutes on, so many (common practice). */
export const HOW_MANY: readonly { from: number; many: number }[] = [
  { from: 90, many: 3 },
  { from: 60, many: 2 },
  { from: 0, many: 1 },
]
/** Stages in which something is worked for an intention; all others open, close and protect. */
export const WORKING_STAGES: readonly StageId[] = [
  'warm',
  'handExfoliation',
  'machine',
  'extraction',
  'calm',
  'massage',
  'lamp',
  'mask',
  'secondMask',
  'cool',
]
