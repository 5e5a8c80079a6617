/**
 * One spelling for one value: keys sorted, no spaces, `undefined` left out. What is committed to
 * must read the same everywhere.
 * @param value plain data: null, texts, numbers, yes and no, lists and records of them
 * @throws RangeError for a number that JSON cannot carry
 * @throws TypeError for what is no plain data, a date or a function
 * @example canonical({ b: 1, a: [true, null] }) // '{"a":[true,null],"b":1}'
 */
export function canonical(value: unknown): string {
  if (value === null || typeof value === 'boolean' || typeof value === 'string')
    return JSON.stringify(value)
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) throw new RangeError('a record cannot hold a number without end')
    return JSON.stringify(value)
  }
  if (Array.isArray(value)) return `[${value.map((item) => canonical(item ?? null)).join(',')}]`
  if (!isRecord(value)) throw new TypeError(`a record cannot hold a ${typeof value} like this`)
  const keys = Object.keys(value)
    .filter((key) => value[key] !== undefined)
    .sort()
  return `{${keys.map((key) => `${JSON.stringify(key)}:${canonical(value[key])}`).join(',')}}`
}

function isRecord(value: unknown): value is Record<string, unknown> {
  if (typeof value !== 'object' || value === null) return false
  const kind: unknown = Object.getPrototypeOf(value)
  return kind === null || kind === Object.prototype
}
