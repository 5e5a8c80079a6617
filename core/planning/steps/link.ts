import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'

/** A step that is there only for the next one; a mist of its own account is a step like others. */
export const isLink = ({ technique, why }: Pick<PlanStep, 'technique' | 'why'>): boolean =>
  TECHNIQUES[technique].connects !== undefined &&
  (TECHNIQUES[technique].part === 'follows' || why[0]?.rule === 'surface')
