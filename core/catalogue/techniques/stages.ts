import { eyesMadeUp, type MakeUpId } from '../consultation/makeUp'
import { STAGE_IDS, type StageId } from '../kinds'
import {
  TECHNIQUE_IDS,
  TECHNIQUES,
  techniquesWhere,
  type Technique,
  type TechniqueId,
} from './techniques'

/** A stage that every visit has, the rule that says so, and what is added where it is missing. */
export interface FloorStage {
  rule: string
  stage: StageId
  first: TechniqueId
  /** Left alone where today nothing of it may be done: it does not cost the visit. */
  unlessBarred?: true
}

/** The floor of a visit (common practice; the backbone of the protocol). */
export const FLOOR_STAGES: readonly FloorStage[] = [
  { rule: 'must-settle', stage: 'settle', first: 'settle' },
  { rule: 'must-eyes', stage: 'eyesOff', first: 'eyesOff', unlessBarred: true },
  { rule: 'must-surface', stage: 'surfaceCleanse', first: 'milk' },
  { rule: 'must-read', stage: 'reading', first: 'secondReading' },
  { rule: 'must-deep', stage: 'deepCleanse', first: 'secondCleanse' },
  { rule: 'must-moisturise', stage: 'moisturise', first: 'moisturiser' },
  { rule: 'must-sun', stage: 'sun', first: 'sunProtection' },
  { rule: 'must-close', stage: 'close', first: 'close' },
]

/** What of a visit some techniques hang on. */
interface Occasion {
  makeUp: readonly MakeUpId[]
  daylight: boolean
}

/** Whether a technique has its occasion: by day, in the evening, or only where eyes or lips are made-up. */
export function hasOccasion({ only }: Technique, { makeUp, daylight }: Occasion): boolean {
  if (only === 'eyesMadeUp') return eyesMadeUp(makeUp)
  if (only === 'byDay') return daylight
  return only === undefined || !daylight
}

/** The floor of this visit: a stage whose own step has no occasion is not part of it. */
export const floorOf = (occasion: Occasion): FloorStage[] =>
  FLOOR_STAGES.filter((floor) => hasOccasion(TECHNIQUES[floor.first], occasion))

/** What may be done in a stage, in the order of the rows; what only follows is not asked for. */
export const techniquesOf = (stage: StageId): readonly TechniqueId[] => OF_STAGE.get(stage) ?? []
const OF_STAGE = new Map(
  STAGE_IDS.map((stage): [StageId, readonly TechniqueId[]] => [
    stage,
    techniquesWhere(
      ({ part, stage: own, alsoIn, straightAfter }) =>
        part !== 'follows' && !straightAfter && (own === stage || alsoIn === stage),
    ),
  ]),
)

/**
 * What stands straight after a technique where somebody works so, in the order of the rows. What its bottle
 * asks for is nobody's way of working.
 */
export const followersOf = (id: TechniqueId): readonly TechniqueId[] => FOLLOWERS.get(id) ?? []
const FOLLOWERS = new Map(
  TECHNIQUE_IDS.map((host): [TechniqueId, readonly TechniqueId[]] => [
    host,
    techniquesWhere(({ straightAfter }) => straightAfter?.includes(host) === true).filter(
      (id) => TECHNIQUES[host].thenOiled !== id,
    ),
  ]),
)

/** The place of a technique's stage in the usual order of a visit. */
export const stageRank = (id: TechniqueId): number => STAGE_IDS.indexOf(TECHNIQUES[id].stage)
