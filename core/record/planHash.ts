import type { PlanStep } from '../catalogue/techniques/step'
import { canonical } from './canonical'
import { digest } from './seal'

/**
 * What a plan is known by when it is saved over or countersigned: SHA-256 of its steps, hex. Two
 * plans of the same steps are the same plan, wherever they were kept.
 */
export const planHash = (steps: readonly PlanStep[]): string => digest(`plan\n${canonical(steps)}`)
