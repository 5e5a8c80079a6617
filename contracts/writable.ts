/** A place in an input that no table could keep. */
export interface Unwritable {
  field: string
  given: string
  allowed: string
}

/** Deeper than any contract of ours goes. */
const DEEPEST = 40
const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

const ALLOWED = 'text without NUL and without half a character'

function wrongIn(text: string): string | undefined {
  if (text.includes('\u0000')) return 'a NUL character'
  if (LONE_SURROGATE.test(text)) return 'half a character (a lone surrogate)'
  return undefined
}

/**
 * The first text of an input, key or value, that PostgreSQL cannot keep (its manual, 8.3 and 8.14:
 * no U+0000, whole characters only), or a nesting deeper than anything we ask for.
 * Walks without recursion, so that depth alone cannot break it.
 * @returns where it is by its path (`zones.3.note`), or undefined when all can be kept
 */
export function unwritableAt(input: unknown): Unwritable | undefined {
  const open: { value: unknown; path: readonly string[] }[] = [{ value: input, path: [] }]
  for (let at = open.pop(); at !== undefined; at = open.pop()) {
    const { value, path } = at
    const field = path.join('.') || 'body'
    if (typeof value === 'string') {
      const given = wrongIn(value)
      if (given) return { field, given, allowed: ALLOWED }
    }
    if (typeof value !== 'object' || value === null) continue
    if (path.length >= DEEPEST)
      return { field, given: 'deeper nesting', allowed: `at most ${DEEPEST} levels` }
    for (const [key, inner] of Object.entries(value)) {
      const given = wrongIn(key)
      if (given) return { field, given: `${given} in a name`, allowed: ALLOWED }
      open.push({ value: inner, path: [...path, key] })
    }
  }
  return undefined
}
