/** The tables and what they point at, as a diagram, read from the Drizzle schema. */

const shortType = (column) => column.getSQLType().replace(/\s.*$/, '').replace(/[^\w]/g, '')

function marksOf(column, foreign) {
  const marks = []
  if (column.primary) marks.push('PK')
  if (foreign.has(column.name)) marks.push('FK')
  return marks.length > 0 ? ` ${marks.join(', ')}` : ''
}

function describe(config) {
  const foreign = new Map()
  for (const key of config.foreignKeys) {
    const { columns, foreignColumns } = key.reference()
    for (const column of columns) foreign.set(column.name, foreignColumns[0]?.table)
  }
  return { config, foreign }
}

/**
 * @param schema the module of all tables
 * @param tools drizzle's own readers: `getTableConfig`, `is`, `PgTable`
 * @returns the page, as Markdown
 */
export function dataModelPage(schema, { getTableConfig, is, PgTable }) {
  const tables = Object.values(schema).filter((value) => is(value, PgTable))
  const described = tables.map((table) => describe(getTableConfig(table)))
  described.sort((one, other) => one.config.name.localeCompare(other.config.name))
  const boxes = described.map(({ config, foreign }) => {
    const fields = config.columns.map(
      (column) => `    ${shortType(column)} ${column.name}${marksOf(column, foreign)}`,
    )
    return `  ${config.name} {\n${fields.join('\n')}\n  }`
  })
  const lines = described.flatMap(({ config, foreign }) =>
    [...foreign].map(
      ([name, table]) => `  ${getTableConfig(table).name} ||--o{ ${config.name} : ${name}`,
    ),
  )
  const rules = described.flatMap(({ config }) =>
    config.checks.map((check) => `- \`${config.name}\`: \`${check.name}\``),
  )
  return `# The tables

Written by \`npm run formats\` from \`db/schema/\`. Times are instants with a zone; days are days in
the house's zone; ids are UUIDs made where the row is made. Every table but those of the whole
database has one column more, \`branch_id\`, which the database fills in and reads itself:
\`docs/decisions/several-practices.md\`. What must not change once it stands
(events, seals, the audit) is held by the database itself: \`docs/decisions/database-guards.md\`.

\`\`\`mermaid
erDiagram
${boxes.join('\n')}
${[...new Set(lines)].join('\n')}
\`\`\`

Held by the tables themselves:

${rules.join('\n') || '- nothing beyond keys and columns'}
`
}
