import { expect } from 'vitest'
import { propose } from '../planning/answer/propose'
import { checkPlan } from '../planning/checks/check'
import type { PlanInput } from '../planning/input'

/**
 * The first is at least as free as the second: it has a plan where that has one, and what is planned for
 * the second may be done on the first. Values are not compared: a rest that is cut to what a zone has
 * room for is worth less than a milder work in full. That nothing stronger comes in is a law of its own.
 */
export function freer(one: PlanInput, other: PlanInput): void {
  const pb = propose(other)
  if (pb.failed) return
  const pa = propose(one)
  expect(pa.failed).toBeUndefined()
  const stops = checkPlan(one, pb.steps)
    // What nothing may touch on the one skin is covered on the other.
    .findings.filter(({ strength, rule }) => strength === 'stop' && rule !== 'sun-covers')
    .map((finding) => `${finding.rule}: ${finding.text}`)
  expect(stops).toEqual([])
}
