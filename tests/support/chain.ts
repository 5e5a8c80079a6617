import type { ChainStep } from '#contracts/replies/practice'
import type { Caller } from './http'

/** Walks the whole chain of seals as the Practice page does, stretch by stretch. */
export async function walkedChain(owner: Caller) {
  let erasedParts = 0
  for (let after = 0; ;) {
    const step = (await owner(`/api/practice/chain?after=${after}`)).body as ChainStep
    erasedParts += step.erasedParts
    if (step.done) return { seals: step.total, broken: step.broken, head: step.head, erasedParts }
    if (step.walked <= after) throw new Error('the walk does not move')
    after = step.walked
  }
}
