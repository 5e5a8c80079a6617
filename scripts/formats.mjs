/**
 * Writes what of the documents follows from the code: the published JSON Schemas of the open formats,
 * the pages of all rows, all routes, all tables and all words. `--check` only says whether they are current;
 * `--imports=FILE` takes what the import checker has found already.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { is } from 'drizzle-orm'
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core'
import { format, resolveConfig } from 'prettier'
import { apiPage } from './docs/apiPage.mjs'
import { casesPage } from './docs/casesPage.mjs'
import { dataModelPage } from './docs/dataModel.mjs'
import { houseSchema } from './docs/houseSchema.mjs'
import { openApiDocument } from './docs/openApi.mjs'
import { withDrawing } from './docs/drawing.mjs'
import { wordsPage } from './docs/wordsPage.mjs'
import { carriedTables } from './houseFile.mjs'
import { ROOT } from './say.mjs'
import { load } from './setup.mjs'

const { publishedSchemas } = await load('contracts/published.ts')
const { rowsPage } = await load('core/rows/rows.ts')
const wire = await openApiDocument(load)
const tables = { getTableConfig, is, PgTable }
const style = await resolveConfig(join(ROOT, 'docs', 'page.md'))
const laidOut = (text) => format(text, { ...style, parser: 'markdown' })
const files = [
  ...Object.entries(publishedSchemas()).map(([file, schema]) => [
    join('formats', file),
    `${JSON.stringify(schema, null, 2)}\n`,
  ]),
  [
    join('formats', 'house.schema.json'),
    `${JSON.stringify(houseSchema(await carriedTables()), null, 2)}\n`,
  ],
  [join('formats', 'openapi.json'), `${JSON.stringify(wire, null, 2)}\n`],
  ['rows.md', rowsPage()],
  ['api.md', await laidOut(apiPage(wire))],
  ['cases.md', await laidOut(await casesPage(load))],
  ['words.md', wordsPage()],
  ['data-model.md', await laidOut(dataModelPage(await load('db/schema/index.ts'), tables))],
]
const architecture = readFileSync(join(ROOT, 'docs', 'architecture.md'), 'utf8')
const IMPORTS = '--imports='
const imports = process.argv.find((given) => given.startsWith(IMPORTS))?.slice(IMPORTS.length)
files.push(['architecture.md', await laidOut(await withDrawing(architecture, imports))])
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
