/**
 * Writes the published JSON Schemas of the open formats and the page of all rows. `--check` only
 * says whether they are current.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './say.mjs'
import { load } from './setup.mjs'

const { publishedSchemas } = await load('contracts/published.ts')
const { rowsPage } = await load('core/rows/rows.ts')
const files = [
  ...Object.entries(publishedSchemas()).map(([file, schema]) => [
    join('formats', file),
    `${JSON.stringify(schema, null, 2)}\n`,
  ]),
  ['rows.md', rowsPage()],
]
let stale = 0
for (const [file, text] of files) {
  const path = join(ROOT, 'docs', file)
  if (existsSync(path) && readFileSync(path, 'utf8') === text) continue
  stale++
  if (process.argv.includes('--check')) console.log(`${file} is not current: npm run formats`)
  else {
    writeFileSync(path, text)
    console.log(`wrote ${file}`)
  }
}
process.exit(process.argv.includes('--check') && stale > 0 ? 1 : 0)
