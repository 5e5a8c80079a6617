import type { PlanStep } from '#core/catalogue/step'
import type { PlanInput } from '#core/planning/input'
import { compare } from '#core/planning/compare'
import { leftOut } from '#core/planning/leftOut'
import { propose } from '#core/planning/propose'
import { notTaken } from '#core/planning/protocolGaps'

export interface PlanQuestion { id: number, ask: 'propose' | 'leftOut' | 'compare' | 'notTaken', input: PlanInput, steps: PlanStep[] }

function answer({ ask, input, steps }: PlanQuestion): unknown {
  switch (ask) {
    case 'propose': return propose(input, steps)
    case 'leftOut': return leftOut(input, steps)
    case 'notTaken': return notTaken(input, steps, input.protocol ?? [])
    case 'compare': return compare(input)
  }
}

/** The same core as on the server; here so that the page stays quick while it thinks. */
self.onmessage = (event: MessageEvent<string>) => {
  const question = JSON.parse(event.data) as PlanQuestion
  const { id } = question
  try { self.postMessage({ id, answer: answer(question) }) } catch (e) { self.postMessage({ id, error: e instanceof Error ? e.message : 'failed' }) }
}
