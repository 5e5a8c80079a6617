import type { PlanStep } from '#core/catalogue/techniques/step'
import type { PlanInput } from '#core/planning/input'
import type { Comparison } from '#core/planning/answer/compare'
import type { CampEffect } from '#core/planning/answer/otherCamps'
import type { LeftOut } from '#core/planning/answer/leftOut'
import type { Proposal } from '#core/planning/answer/propose'
import type { NotTaken } from '#core/planning/answer/protocolGaps'
import type { PlanQuestion } from '~/workers/plan.worker'

let worker: Worker | undefined
let next = 1
/** The shelf that the worker has. */
let sent: PlanInput['shelf'] | undefined
const waiting = new Map<
  number,
  { resolve: (value: unknown) => void; reject: (error: Error) => void }
>()

function ask(
  kind: PlanQuestion['ask'],
  input: PlanInput,
  steps: readonly PlanStep[],
): Promise<unknown> {
  if (!worker) {
    sent = undefined
    worker = new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = (event: MessageEvent<{ id: number; answer?: unknown; error?: string }>) => {
      const asked = waiting.get(event.data.id)
      waiting.delete(event.data.id)
      if (event.data.error === undefined) asked?.resolve(event.data.answer)
      else asked?.reject(new Error(event.data.error))
    }
  }
  const id = next++
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject })
    const { shelf, ...rest } = input
    // The shelf is most of a question and seldom changes: it is sent when it has. As text: half the
    // way of a structured copy, and nothing reactive goes along.
    const news = sent !== toRaw(shelf)
    sent = toRaw(shelf)
    worker?.postMessage(
      JSON.stringify({
        id,
        ask: kind,
        input: rest,
        steps,
        ...(news ? { shelf } : {}),
      } satisfies PlanQuestion),
    )
  })
}
/** Plans in a worker of the page. */
export const proposeAside = (input: PlanInput, done: readonly PlanStep[] = []) =>
  ask('propose', input, done) as Promise<Proposal>
export const leftOutAside = (input: PlanInput, steps: readonly PlanStep[]) =>
  ask('leftOut', input, steps) as Promise<LeftOut[]>
export const notTakenAside = (input: PlanInput, steps: readonly PlanStep[]) =>
  ask('notTaken', input, steps) as Promise<NotTaken[]>
export const compareAside = (input: PlanInput) => ask('compare', input, []) as Promise<Comparison>
export const otherCampsAside = (input: PlanInput) =>
  ask('camps', input, []) as Promise<CampEffect[]>
