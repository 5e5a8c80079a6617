/**
 * The wire as an OpenAPI 3.1 document, made from what each route says of itself. Shapes that have a
 * name in `contracts/` stand under it once.
 */
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from '../say.mjs'
import { registry, toJSONSchema } from 'zod'
import { allRoutes } from './routes.mjs'

const DIALECT = 'https://json-schema.org/draft/2020-12/schema'

const namesIn = async (load, folder) => {
  const files = readdirSync(join(ROOT, folder)).filter(
    (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && file !== 'common.ts',
  )
  const found = new Map()
  for (const file of files)
    for (const [name, value] of Object.entries(await load(`${folder}/${file}`)))
      if (['object', 'union', 'array'].includes(value?.def?.type)) found.set(value, name)
  return found
}

/**
 * Schemas by name, as they are taken or given.
 * @param named schema → name @param io 'input' for what is taken, 'output' for what is given
 */
function shapesOf(named, io) {
  const names = registry()
  for (const [schema, name] of named) names.add(schema, { id: name })
  const options = {
    io,
    target: 'draft-2020-12',
    unrepresentable: 'any',
    uri: (name) => `#/components/schemas/${name}`,
  }
  const { schemas } = toJSONSchema(names, options)
  for (const schema of Object.values(schemas)) {
    delete schema.$schema
    delete schema.$id
  }
  const shapeOf = (schema) =>
    named.has(schema)
      ? { $ref: `#/components/schemas/${named.get(schema)}` }
      : bare(toJSONSchema(schema, options))
  return { schemas, shapeOf }
}
const bare = (schema) => {
  const { $schema: dialect, ...rest } = schema
  if (dialect !== DIALECT) throw new Error(`another dialect: ${dialect}`)
  return rest
}

/** What is asked for in the address, field by field. */
function parametersOf(path, query) {
  const inPath = [...path.matchAll(/\[(\w+)\]/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string', format: 'uuid' },
  }))
  if (!query) return inPath
  const { properties = {}, required = [] } = toJSONSchema(query, { io: 'input' })
  const inQuery = Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema,
  }))
  return [...inPath, ...inQuery]
}

/** `visits.id.answers.put` of `PUT /api/visits/[id]/answers`. */
const operationIdOf = (method, path) =>
  [...path.replace('/api/', '').replace(/[[\]]/g, '').split('/'), method.toLowerCase()].join('.')

function operationOf({ taken, given }, { method, path, who, spec }) {
  const media = spec.reply.meta()?.contentMediaType
  const content = media
    ? { [media]: { schema: { type: 'string' } } }
    : { 'application/json': { schema: given.shapeOf(spec.reply) } }
  return {
    operationId: operationIdOf(method, path),
    tags: [path.split('/')[2]],
    'x-who-may': who,
    ...(spec.who === 'anyone' ? { security: [] } : {}),
    parameters: parametersOf(path, spec.query),
    ...(spec.body
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: taken.shapeOf(spec.body) } },
          },
        }
      : {}),
    responses: {
      200: { description: 'As asked.', content },
      default: { $ref: '#/components/responses/refused' },
    },
  }
}

/** @param load reads a module of the tree by its path @returns the document */
export async function openApiDocument(load) {
  const { problem } = await load('contracts/problem.ts')
  const bodies = await namesIn(load, 'contracts')
  const replies = await namesIn(load, 'contracts/replies')
  const routes = await allRoutes(load)
  // A file that goes out and comes in again is one shape: it stands among what is given.
  for (const { spec } of routes)
    if (bodies.has(spec.reply)) {
      replies.set(spec.reply, bodies.get(spec.reply))
      bodies.delete(spec.reply)
    }
  bodies.delete(problem)
  const isAsked = new Set(routes.map(({ spec }) => spec.body))
  for (const schema of [...bodies.keys()]) if (!isAsked.has(schema)) bodies.delete(schema)
  const shapes = { taken: shapesOf(bodies, 'input'), given: shapesOf(replies, 'output') }
  const paths = {}
  for (const route of routes) {
    const place = route.path.replace(/\[(\w+)\]/g, '{$1}')
    paths[place] = { ...paths[place], [route.method.toLowerCase()]: operationOf(shapes, route) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Oak Basin',
      version: '1.0.0',
      description:
        'What the pages of the house and its server say to each other. A write wants the Origin ' +
        'of the house; ids are made by the client, so that the same write sent twice is one.',
      license: { name: 'of the house that runs it', identifier: 'LicenseRef-house' },
    },
    servers: [{ url: '/' }],
    security: [{ session: [] }],
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: '__Host-oak' } },
      responses: {
        refused: {
          description: 'Refused, with a word for the person and the fields that were wrong.',
          content: {
            'application/problem+json': { schema: bare(toJSONSchema(problem)) },
          },
        },
      },
      schemas: { ...shapes.taken.schemas, ...shapes.given.schemas },
    },
  }
}
