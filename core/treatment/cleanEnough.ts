import {
  MOST_WIPES,
  PAD_RULE,
  SOILED_FROM,
  SOILED_TWICE,
  type PadGrade,
} from '../catalogue/rules/pads'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { Minutes } from '../units'

export interface CleanEnough {
  act: 'wipeAgain' | 'addCleanse' | 'goOn'
  say: string
  rule: string
  /** What another cleanse costs, where it is asked for. */
  minutes?: Minutes
}

/**
 * What the pads say, the latest last: clean is enough; soiled twice asks for another cleanse; so
 * does a pad that is not clean after as many wipes as skin should bear.
 * @param usual pads that this client took last time
 * @returns undefined while no pad was graded
 */
export function cleanEnough(grades: readonly PadGrade[], usual?: number): CleanEnough | undefined {
  const last = grades[grades.length - 1]
  if (last === undefined) return undefined
  const rule = PAD_RULE.id
  if (last === 0) return { act: 'goOn', say: `Clean after ${wipes(grades.length)}: go on.`, rule }
  const soiled = grades.filter((grade) => grade >= SOILED_FROM).length
  if (soiled >= SOILED_TWICE || grades.length >= MOST_WIPES) {
    const { least } = TECHNIQUES.secondCleanse.minutes
    const why = soiled >= SOILED_TWICE ? 'Soiled twice' : `Not clean after ${wipes(grades.length)}`
    return {
      act: 'addCleanse',
      say: `${why}: another cleanse, ${least} min.`,
      rule,
      minutes: least,
    }
  }
  const more = usual !== undefined && usual > grades.length ? usual - grades.length : 0
  const known = more > 0 ? ` Last time it took ${wipes(usual ?? 0)}.` : ''
  return { act: 'wipeAgain', say: `Wipe again with a fresh pad.${known}`, rule }
}
const wipes = (count: number) => `${count} ${count === 1 ? 'pad' : 'pads'}`
