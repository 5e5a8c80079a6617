/** Plain data as it may stand in a record. */
export type Json =
  null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json | undefined }

/**
 * One spelling for one value: keys sorted, no spaces, `undefined` left out. What is committed to
 * must read the same everywhere.
 * @throws RangeError for a number that JSON cannot carry.
 */
export function canonical(value: Json): string {
  if (value === null || typeof value === 'boolean' || typeof value === 'string')
    return JSON.stringify(value)
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) throw new RangeError('a record cannot hold a number without end')
    return JSON.stringify(value)
  }
  if (isList(value)) return `[${value.map(canonical).join(',')}]`
  const keys = Object.keys(value)
    .filter((key) => value[key] !== undefined)
    .sort()
  return `{${keys.map((key) => `${JSON.stringify(key)}:${canonical(value[key] ?? null)}`).join(',')}}`
}
const isList = (json: Json): json is readonly Json[] => Array.isArray(json)
