import type { PlanStep } from '#core/catalogue/techniques/step'
import type { PlanInput } from '#core/planning/input'
import { otherCamps } from '#core/planning/answer/otherCamps'
import { compare } from '#core/planning/answer/compare'
import { leftOut } from '#core/planning/answer/leftOut'
import { propose } from '#core/planning/answer/propose'
import { notTaken } from '#core/planning/answer/protocolGaps'

/** One question as text; the shelf comes along where it is not the one of the question before. */
export interface PlanQuestion {
  id: number
  ask: 'propose' | 'leftOut' | 'compare' | 'camps' | 'notTaken'
  input: Omit<PlanInput, 'shelf'>
  steps: readonly PlanStep[]
  shelf?: PlanInput['shelf']
}

let shelf: PlanInput['shelf'] = []
function answer({ ask, input: rest, steps, shelf: news }: PlanQuestion): unknown {
  if (news) shelf = news
  const input: PlanInput = { ...rest, shelf }
  switch (ask) {
    case 'propose':
      return propose(input, steps)
    case 'leftOut':
      return leftOut(input, steps)
    case 'notTaken':
      return notTaken(input, steps, input.protocol ?? [])
    case 'compare':
      return compare(input)
    case 'camps':
      return otherCamps(input)
  }
}

/** The same core as on the server; here so that the page stays quick while it thinks. */
self.onmessage = (event: MessageEvent<string>) => {
  const question = JSON.parse(event.data) as PlanQuestion
  const { id } = question
  try {
    self.postMessage({ id, answer: answer(question) })
  } catch (error) {
    self.postMessage({ id, error: error instanceof Error ? error.message : 'failed' })
  }
}
