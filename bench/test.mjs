import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from '../scripts/say.mjs'

/** What the last whole run of the tests took, part by part. */
export default async function test() {
  const file = join(ROOT, '.data', 'test-results', 'took.json')
  if (!existsSync(file)) return ['no whole run of ./test yet']
  const { total, parts } = JSON.parse(readFileSync(file, 'utf8'))
  return [
    `last whole ./test: ${Math.round(total)} s`,
    ...parts.map(
      (part) =>
        `${part.title.padEnd(42)} ${Math.round(part.seconds)} s, ${Math.round((100 * part.seconds) / total)} %`,
    ),
  ]
}
