import type { Problem } from './problem'

const isObject = (data: unknown): data is Record<string, unknown> =>
  typeof data === 'object' && data !== null

/**
 * A refusal as the contract has it, or nothing. Read by hand: the contract's own library would weigh a
 * seventh of the first page, and a test holds the two against each other.
 */
export function asProblem(data: unknown): Problem | undefined {
  if (!isObject(data)) return undefined
  const { type, title, status, detail, fields = [] } = data
  if (typeof type !== 'string' || typeof title !== 'string' || typeof detail !== 'string')
    return undefined
  if (typeof status !== 'number' || !Number.isFinite(status) || !Array.isArray(fields))
    return undefined
  const read: Problem['fields'] = []
  for (const one of fields as unknown[]) {
    if (!isObject(one)) return undefined
    const { field, given, allowed } = one
    if (typeof field !== 'string' || typeof given !== 'string' || typeof allowed !== 'string')
      return undefined
    read.push({ field, given, allowed })
  }
  return { type, title, status, detail, fields: read }
}
