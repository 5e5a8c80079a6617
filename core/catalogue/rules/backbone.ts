import { minutes } from '../../units'
import { STAGE_IDS, type FamilyId, type StageId } from '../kinds'
import { stageRank } from '../techniques/stages'
import { WORKING_STAGES } from './intentions'
import { techniquesWhere, type TechniqueId } from '../techniques/techniques'
import { isMain } from '../techniques/traits'

/**
 * The backbone of a visit: what stands before what, where both are there. Common practice; the
 * sentence and the weight of each stand among the rules of the plan under the same id.
 */
interface Backbone {
  rule: string
  first: readonly TechniqueId[]
  /** None of these before any of the first. */
  then: readonly TechniqueId[]
}
/** All work on the face that has its place after a stage. */
const workAfter = (stage: StageId): readonly TechniqueId[] =>
  techniquesWhere(
    ({ id, groups }) =>
      isMain(id) && !groups.includes('body') && stageRank(id) > STAGE_IDS.indexOf(stage),
  )
/** What stays on the skin when the visit ends; what the work itself leaves lies under it. */
export const LAYERS = techniquesWhere(
  ({ leaves, stage }) => leaves.layer !== undefined && !WORKING_STAGES.includes(stage),
)
/** What belongs to a stage by itself, and not only straight after another step of it. */
const inStage = (...stages: readonly StageId[]): readonly TechniqueId[] =>
  techniquesWhere(({ part, stage }) => part !== 'follows' && stages.includes(stage))

export const BACKBONE: readonly Backbone[] = [
  {
    rule: 'eyes-first',
    first: inStage('eyesOff'),
    then: inStage('surfaceCleanse', 'deepCleanse'),
  },
  { rule: 'read-bare', first: inStage('surfaceCleanse'), then: inStage('reading') },
  {
    rule: 'read-before-work',
    first: inStage('reading'),
    then: workAfter('reading'),
  },
  {
    rule: 'lamp-before-layers',
    first: inStage('lamp'),
    then: LAYERS,
  },
  {
    rule: 'lamp-after-massage',
    first: inStage('massage'),
    then: inStage('lamp'),
  },
  {
    rule: 'cold-after-warm',
    first: ['steam', 'warmTowel', 'extraction', 'massage', 'toningMassage'],
    then: inStage('cool'),
  },
]
/** Hands are washed before they touch the face. */
export const FIRST_OF_ALL: TechniqueId = 'settle'
/** Once the client has sat up, the work is over. */
export const LAST_OF_ALL: TechniqueId = 'close'
/** What the musts have to cover: every zone that this client may have it on. */
export const COVERS: readonly { rule: string; technique: TechniqueId; byDay?: true }[] = [
  { rule: 'sun-covers', technique: 'sunProtection', byDay: true },
  { rule: 'cream-covers', technique: 'moisturiser' },
]
/** The last that touches the skin. */
export const LAST_ON_SKIN: TechniqueId = 'sunProtection'
/** Under it this is not laid by day. */
export const NOT_UNDER_IT: readonly TechniqueId[] = ['facialOil']
/** Instead of a massage of skin just worked: hands go here for the same minutes. */
export const HANDS_ELSEWHERE: TechniqueId = 'shouldersScalp'
/** Work that is not done on skin just abraded or needled. */
export const NOT_ON_WORKED: readonly FamilyId[] = ['massage']
/** A short warming of its own before what wants softened skin. */
export const REWARM_MINUTES = minutes(1)
/** After sun protection nothing touches the skin any more. */
export const AFTER_SUN: readonly TechniqueId[] = ['sunProtection', 'close', 'wait']
