import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

/** Files of the tree that a bench takes into its bundle, as it names them. */
const NAMED = /'((?:core|contracts|db|tests)\/[A-Za-z0-9/.]+\.ts)'/g

describe('the benches', () => {
  it.each(readdirSync('bench').filter((file) => file.endsWith('.mjs')))(
    '%s measures files that are there',
    (file) => {
      const text = readFileSync(`bench/${file}`, 'utf8')
      for (const [, path = ''] of text.matchAll(NAMED)) expect(existsSync(path), path).toBe(true)
    },
  )
})
