import { expect } from 'vitest'
import { intentionsOf } from '../planning/agenda/intentions'
import { propose } from '../planning/answer/propose'
import { checkPlan } from '../planning/checks/check'
import type { PlanInput } from '../planning/input'

const sameFor = (one: PlanInput, other: PlanInput): boolean =>
  intentionsOf(one)
    .map(({ id }) => id)
    .join() ===
  intentionsOf(other)
    .map(({ id }) => id)
    .join()

/**
 * The first is at least as free as the second: its best is no worse, and what is planned for the
 * second may be done on the first.
 */
export function freer(one: PlanInput, other: PlanInput): void {
  const pb = propose(other)
  if (pb.failed) return
  const pa = propose(one)
  expect(pa.failed).toBeUndefined()
  // What the skin itself asks for besides is worth something of its own.
  if (sameFor(one, other)) expect(pa.value).toBeGreaterThanOrEqual(pb.value)
  const stops = checkPlan(one, pb.steps)
    // What nothing may touch on the one skin is covered on the other.
    .findings.filter(({ strength, rule }) => strength === 'stop' && rule !== 'sun-covers')
    .map((finding) => `${finding.rule}: ${finding.text}`)
  expect(stops).toEqual([])
}
