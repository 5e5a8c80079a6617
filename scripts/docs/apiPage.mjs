/** The page of all routes, read from the published OpenAPI document. */

const nameOf = (schema) => schema.$ref?.split('/').at(-1)

/** Names of the fields of a shape; those that may be left out carry a question mark. */
function fieldsOf(schema, schemas) {
  const name = nameOf(schema)
  if (name) return fieldsOf(schemas[name], schemas)
  if (schema.items) return `a list: ${fieldsOf(schema.items, schemas)}`
  if (schema.anyOf ?? schema.oneOf) return 'one of several shapes'
  if (!schema.properties) return schema.type ?? 'anything'
  const required = new Set(schema.required)
  return Object.keys(schema.properties)
    .map((field) => (required.has(field) ? field : `${field}?`))
    .join(', ')
}

function said(schema, schemas) {
  const name = nameOf(schema)
  const fields = fieldsOf(schema, schemas)
  return name ? `\`${name}\`: ${fields}` : fields
}

function takes({ parameters, requestBody }, schemas) {
  const asked = parameters
    .filter(({ in: where }) => where === 'query')
    .map(({ name, required }) => (required ? name : `${name}?`))
  const body = requestBody?.content['application/json'].schema
  const parts = [
    ...(asked.length > 0 ? [`in the address: ${asked.join(', ')}`] : []),
    ...(body && fieldsOf(body, schemas) !== '' ? [said(body, schemas)] : []),
  ]
  return parts.join('; ') || 'nothing'
}

function gives({ responses }, schemas) {
  const [[media, { schema }]] = Object.entries(responses[200].content)
  return media === 'application/json' ? said(schema, schemas) : `\`${media}\``
}

/** @param document the OpenAPI document @returns the page, as Markdown */
export function apiPage({ paths, components }) {
  const { schemas } = components
  const rowOf = (place, operation) =>
    `| ${[place, operation['x-who-may'], takes(operation, schemas), gives(operation, schemas)].join(' | ')} |`
  const rows = Object.entries(paths).flatMap(([path, operations]) =>
    Object.entries(operations).map(([method, operation]) =>
      rowOf(`\`${method.toUpperCase()} ${path}\``, operation),
    ),
  )
  return `# The routes

Written by \`npm run formats\` from \`docs/formats/openapi.json\`, which is made from what each route in
\`server/api/\` says of itself: who may come in, what it takes, what it gives. The running house gives the
same document at \`/api/openapi.json\`. In the tests every reply is held against it.

Every refusal has one shape (RFC 9457, \`application/problem+json\`): \`{ type, title, status, detail,
fields: [{ field, given, allowed }] }\`; \`detail\` is for the person, and each field says what was given and
what is allowed. 400 is what
cannot be read, 401 nobody signed in, 403 not this person's, 404 not there, 409 somebody was quicker
or the state has moved on, 413 too large, 422 understood and not allowed, 429 too many. A write wants
\`Origin\` of this house. Ids are made by the client, so that the same write sent twice is one write.

| route | who may | takes | gives |
| --- | --- | --- | --- |
${rows.join('\n')}
`
}
