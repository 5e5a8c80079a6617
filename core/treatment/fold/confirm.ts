import type { PlanStep } from '../../catalogue/techniques/step'

/** Rules that were confirmed before a step, by the step's key. */
type Confirmed = Readonly<Record<string, { rules: readonly string[] }>>

/**
 * Rules that a step still waits for.
 * @param context `confirmsOf` says what a step waits for; where it is missing none waits
 */
export const unconfirmed = (
  { confirmed }: { confirmed: Confirmed },
  { confirmsOf }: { confirmsOf?: (step: PlanStep) => readonly string[] },
  step: PlanStep,
): string[] =>
  (confirmsOf?.(step) ?? []).filter((rule) => !confirmed[step.key]?.rules.includes(rule))
