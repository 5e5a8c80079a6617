import { howMany } from '../../words'
import { PADDED } from '../../catalogue/rules/room'
import { CLEANSE_AGAIN } from '../../catalogue/techniques/roles'
import { asWorn, takeOff, type MakeUpId } from '../../catalogue/consultation/makeUp'
import {
  MOST_WIPES,
  PAD_RULE,
  SOILED_FROM,
  SOILED_TWICE,
  type PadGrade,
} from '../../catalogue/rules/pads'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type Technique } from '../../catalogue/techniques/techniques'
import type { Minutes } from '../../units'

interface CleanEnough {
  act: 'wipeAgain' | 'soakMore' | 'addCleanse' | 'goOn'
  say: string
  rule: string
  /** What another cleanse costs, where it is asked for. */
  minutes?: Minutes
}

/** How many pads it usually takes, and how that is known. */
interface Usual {
  pads: number
  from: 'lastTime' | 'worn'
}

/**
 * Pads of a step: as many as this client took last time for the same make-up; before that, what is
 * worn usually takes.
 * @param last pads counted in the same step last time, and what was worn then
 */
export function usualPads(
  { technique }: Pick<PlanStep, 'technique'>,
  worn: readonly MakeUpId[],
  last?: { pads: number; worn: readonly MakeUpId[] },
): Usual | undefined {
  if (last && asWorn(last.worn).join() === asWorn(worn).join())
    return { pads: last.pads, from: 'lastTime' }
  const pads = PADDED[TECHNIQUES[technique].stage]
  return worn.length === 0 || pads === undefined
    ? undefined
    : { pads: takeOff(worn)[pads], from: 'worn' }
}

/**
 * What the pads say, the latest last: clean is enough; soiled twice asks for another cleanse, once
 * as many were used as this make-up takes anyway; so does a pad that is not clean after as many
 * wipes as skin should bear. At the eyes it is more soak that is asked for, and no cleanse.
 * @returns undefined while no pad was graded
 */
export function cleanEnough(
  grades: readonly PadGrade[],
  usual?: Usual,
  { stage }: Pick<Technique, 'stage'> = { stage: 'surfaceCleanse' },
): CleanEnough | undefined {
  const last = grades[grades.length - 1]
  if (last === undefined) return undefined
  const rule = PAD_RULE.id
  if (last === 0) return { act: 'goOn', say: `Clean after ${wipes(grades.length)}: go on.`, rule }
  const expected = usual?.pads ?? 0
  const soiled = grades.filter((grade) => grade >= SOILED_FROM).length
  const twice = soiled >= SOILED_TWICE && grades.length >= expected
  if (twice || grades.length >= Math.max(MOST_WIPES, expected)) {
    const { least } = TECHNIQUES[CLEANSE_AGAIN].minutes
    const why = twice ? 'Soiled twice' : `Not clean after ${wipes(grades.length)}`
    if (stage === 'eyesOff')
      return { act: 'soakMore', say: `${why}: fresh remover, hold it half a minute longer.`, rule }
    return {
      act: 'addCleanse',
      say: `${why}: another cleanse, ${least} min.`,
      rule,
      minutes: least,
    }
  }
  const known =
    usual === undefined || expected <= grades.length
      ? ''
      : usual.from === 'lastTime'
        ? ` Last time it took ${wipes(expected)}.`
        : ` This make-up usually takes ${wipes(expected)}.`
  return { act: 'wipeAgain', say: `Wipe again with a fresh pad.${known}`, rule }
}
const wipes = (count: number) => howMany(count, 'pad')
