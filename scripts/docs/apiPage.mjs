/** The page of all routes, read from the routes themselves and from the contracts they name. */
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import ts from 'typescript'
import { ROOT } from '../say.mjs'

const API = join(ROOT, 'server', 'api')

const filesUnder = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    return entry.isDirectory() ? filesUnder(path) : [path]
  })

/** @returns {{ method: string, path: string }} what a route's file name says */
function placeOf(file) {
  const parts = relative(API, file).replace(/\.ts$/, '').split('.')
  const method = parts.pop().toUpperCase()
  const path = `/api/${parts.join('.')}`.replace(/\/index$/, '')
  return { method, path }
}

/** Who may: what the route asks of the person before anything else. */
function whoMay(text) {
  if (/who: 'anyone'/.test(text)) return 'anyone'
  const visit = /visitFor\(me, id, '(\w+)'/.exec(text)
  if (visit) return `who may ${visit[1]} this visit`
  if (/clientFor\(/.test(text)) return 'who cares for this client'
  if (/ownerOnly\(/.test(text)) return 'the owner'
  if (/notTrainee\(/.test(text)) return 'owner and therapists'
  return /who: 'locked'/.test(text) ? 'staff, also locked' : 'staff'
}

/** @returns {Map<string, { name: string, from: string }>} local name → what it is and from where */
function importsOf(source) {
  const found = new Map()
  for (const node of source.statements) {
    if (!ts.isImportDeclaration(node)) continue
    const named = node.importClause?.namedBindings
    if (!named || !ts.isNamedImports(named)) continue
    for (const one of named.elements) {
      const name = (one.propertyName ?? one.name).text
      found.set(one.name.text, { name, from: node.moduleSpecifier.text })
    }
  }
  return found
}

/** Names of the fields of a contract; those that may be left out carry a question mark. */
function fieldsOf(schema) {
  const { shape } = schema
  if (!shape) return 'one of several shapes'
  return Object.entries(shape)
    .map(([name, field]) => (field.isOptional?.() ? `${name}?` : name))
    .join(', ')
}

async function readRoute(file, load) {
  const text = readFileSync(file, 'utf8')
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
  const imports = importsOf(source)
  const contracts = [...imports].filter(([, { from }]) => from.startsWith('#contracts/'))
  const taken = []
  for (const [, { name, from }] of contracts) {
    const schema = (await load(`${from.slice(1)}.ts`))[name]
    if (!schema?.shape && !/union/.test(schema?.def?.type ?? '')) continue
    if (Object.keys(schema.shape ?? { one: 1 }).length > 0)
      taken.push(`\`${name}\`: ${fieldsOf(schema)}`)
  }
  const services = [...imports.values()].filter(
    ({ from, name }) =>
      from.includes('/services/') && !/access|session|database/.test(from) && /^[a-z]/.test(name),
  )
  return {
    ...placeOf(file),
    who: whoMay(text),
    body: taken.join('; ') || 'nothing',
    answered: services.map(({ name }) => `\`${name}\``).join(', ') || 'the route itself',
  }
}

/** @param load reads a module of the tree by its path @returns the page, as Markdown */
export async function apiPage(load) {
  const routes = []
  for (const file of filesUnder(API).sort()) routes.push(await readRoute(file, load))
  const rows = routes.map(
    ({ method, path, who, body, answered }) =>
      `| \`${method} ${path}\` | ${who} | ${body} | ${answered} |`,
  )
  return `# The routes

Written by \`npm run formats\` from the files in \`server/api/\` and the contracts they name.

Every refusal has one shape (RFC 9457, \`application/problem+json\`): \`{ type, title, status, detail,
fields: [{ field, given, allowed }] }\`; \`detail\` is for the person, and each field says what was given and
what is allowed. 400 is what
cannot be read, 401 nobody signed in, 403 not this person's, 404 not there, 409 somebody was quicker
or the state has moved on, 413 too large, 422 understood and not allowed, 429 too many. A write wants
\`Origin\` of this house. Ids are made by the client, so that the same write sent twice is one write.

| route | who may | takes | answered by |
| --- | --- | --- | --- |
${rows.join('\n')}
`
}
