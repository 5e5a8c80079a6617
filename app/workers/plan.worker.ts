import type { PlanStep } from '#core/catalogue/step'
import type { PlanInput } from '#core/planning/input'
import { compare } from '#core/planning/compare'
import { leftOut } from '#core/planning/leftOut'
import { propose } from '#core/planning/propose'

export interface PlanQuestion { id: number, ask: 'propose' | 'leftOut' | 'compare', input: PlanInput, steps: PlanStep[] }

/** The same core as on the server; here so that the page stays quick while it thinks. */
self.onmessage = (event: MessageEvent<PlanQuestion>) => {
  const { id, ask, input, steps } = event.data
  try { self.postMessage({ id, answer: ask === 'propose' ? propose(input, steps) : ask === 'leftOut' ? leftOut(input, steps) : compare(input) }) } catch (e) { self.postMessage({ id, error: e instanceof Error ? e.message : 'failed' }) }
}
