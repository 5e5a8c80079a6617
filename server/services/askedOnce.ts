import { AsyncLocalStorage } from 'node:async_hooks'
import { branchHere } from './branch'

/** A line on which taps arrive is one request for hours: what it has looked up grows old all the same. */
const FRESH_MS = 1000

interface LookedUp {
  at: number
  answer: Promise<unknown>
}
const here = new AsyncLocalStorage<Map<string, LookedUp>>()

/** Runs what only reads: what it looks up by name it looks up once. */
export const onlyReading = <Result>(work: () => Result): Result => here.run(new Map(), work)

/**
 * What a request that only reads has asked a moment ago; asked now everywhere else, so that whoever
 * writes reads what they have written.
 */
export function askedOnce<Answer>(what: string, ask: () => Promise<Answer>): Promise<Answer> {
  const known = here.getStore()
  if (!known) return ask()
  const name = `${branchHere()} ${what}`
  const before = known.get(name)
  if (before && Date.now() - before.at < FRESH_MS) return before.answer as Promise<Answer>
  const answer = ask()
  known.set(name, { at: Date.now(), answer })
  return answer
}
