import type { StageId } from '../kinds'
import { TECHNIQUES, type TechniqueId } from './techniques'

export type PhaseId = 'open' | 'work' | 'rest' | 'finish'

interface Phase {
  id: PhaseId
  name: string
  stages: readonly StageId[]
}

/** A visit in its four parts (common practice): what makes ready, what works, what rests, what stays on. */
export const PHASES: readonly Phase[] = [
  {
    id: 'open',
    name: 'Open',
    stages: ['settle', 'eyesOff', 'surfaceCleanse', 'reading', 'deepCleanse', 'tone', 'warm'],
  },
  {
    id: 'work',
    name: 'Work',
    stages: ['handExfoliation', 'machine', 'extraction', 'calm', 'massage', 'lamp'],
  },
  { id: 'rest', name: 'Rest', stages: ['mask', 'secondMask'] },
  {
    id: 'finish',
    name: 'Finish',
    stages: ['cool', 'afterMask', 'serum', 'eyes', 'moisturise', 'oil', 'lips', 'sun', 'close'],
  },
]

/** The place of a technique's part of the visit among the four. */
export const phaseRank = (id: TechniqueId): number =>
  PHASES.findIndex(({ stages }) => stages.includes(TECHNIQUES[id].stage))
