import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { AUDIT_WORDS } from '../../app/composables/audit'

const KINDS = 'session|people|day|practice|client|visit|house|staff|product|lot|consent'
/** What the server writes down: a name of two parts, as a word of its own. */
const ACTION = new RegExp(`'((?:${KINDS})\\.[a-z-]+)'`, 'g')
const sources = readdirSync('server', { recursive: true, encoding: 'utf8' }).filter((file) =>
  file.endsWith('.ts'),
)

describe('the audit', () => {
  it('has words for whatever the server writes down, so that no line shows a name of the code', () => {
    const written = sources.flatMap((file) =>
      [...readFileSync(join('server', file), 'utf8').matchAll(ACTION)].map(([, name = '']) => name),
    )
    expect(written.length).toBeGreaterThan(20)
    expect([...new Set(written)].filter((name) => AUDIT_WORDS[name] === undefined)).toEqual([])
  })
})
