import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { expect, it } from 'vitest'

/** What the house claims of its safety is claimed with the test that proves it. */
const PAGE = 'docs/security.md'
const lines = readFileSync(PAGE, 'utf8')
  .split('\n')
  .filter((line) => /^\| \d/.test(line))

it('each line of the table links to tests that are there', () => {
  expect(lines.length).toBeGreaterThan(35)
  for (const line of lines) {
    const links = [...line.matchAll(/\]\(([^)]+\.(?:test|spec)\.ts)\)/g)].map(([, to = '']) => to)
    expect(links, line).not.toEqual([])
    for (const to of links) expect(existsSync(join(dirname(PAGE), to)), to).toBe(true)
  }
})
