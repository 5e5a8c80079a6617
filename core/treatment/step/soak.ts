import { takeOff, type MakeUpId } from '../../catalogue/consultation/makeUp'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { minutes, type Minutes } from '../../units'

/** What the hand does while a remover soaks on the eyes, and how long it still does. */
interface Soak {
  /** Still to soak. */
  left: Minutes
  say: string
}

/** The step that takes eyes and lips off; what follows it there soaks nothing. */
const onEyes = ({ technique }: Pick<PlanStep, 'technique'>) => {
  const { stage, straightAfter } = TECHNIQUES[technique]
  return stage === 'eyesOff' && straightAfter === undefined
}

/**
 * The soak within the step for eyes and lips; undefined where nothing soaks.
 * @param ran minutes into the step
 */
export function soakAt(
  step: Pick<PlanStep, 'technique'>,
  worn: readonly MakeUpId[],
  ran: number,
): Soak | undefined {
  const { soak, lipsMeanwhile, eyePads } = takeOff(worn)
  if (!onEyes(step) || soak === 0) return undefined
  const left = minutes(Math.max(0, soak - Math.max(0, ran)))
  if (left > 0)
    return {
      left,
      say: lipsMeanwhile ? 'Both eyes soak: the lips come off meanwhile.' : 'Press and hold.',
    }
  return { left, say: `Soaked: wipe down, ${eyePads} pads in all.` }
}

/** What is said while it soaks, by minutes from the start of the step. */
export function soakPrompts(
  step: Pick<PlanStep, 'technique'>,
  worn: readonly MakeUpId[],
): { at: number; say: string }[] {
  if (!onEyes(step) || !takeOff(worn).lipsMeanwhile) return []
  return [{ at: 0, say: 'Close your eyes, the pads soak a minute. Your lips meanwhile.' }]
}

/** When the words of the step itself begin: once the eyes have soaked, where there is time for it. */
export const afterSoak = (step: Pick<PlanStep, 'technique'>, worn: readonly MakeUpId[]): Minutes =>
  soakPrompts(step, worn).length > 0 ? takeOff(worn).soak : minutes(0)
