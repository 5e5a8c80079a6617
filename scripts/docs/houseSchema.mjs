/** JSON types of the columns of PostgreSQL, as `to_jsonb` writes them. */
const TYPES = {
  integer: { type: 'integer' },
  bigint: { type: 'integer' },
  boolean: { type: 'boolean' },
  jsonb: {},
  date: { type: 'string', format: 'date' },
  uuid: { type: 'string', format: 'uuid' },
}
const typeOf = (column) => {
  const sql = column.getSQLType()
  if (sql.startsWith('timestamp')) return { type: 'string', format: 'date-time' }
  return TYPES[sql] ?? { type: 'string' }
}
const columnOf = (column) => {
  const { type, ...rest } = typeOf(column)
  if (type === undefined) return {}
  return { type: column.notNull ? type : [type, 'null'], ...rest }
}
const tableOf = ({ columns }) => ({
  type: 'array',
  items: {
    type: 'object',
    additionalProperties: false,
    required: columns.map(({ name }) => name),
    properties: Object.fromEntries(columns.map((column) => [column.name, columnOf(column)])),
  },
})
const counted = {
  type: 'object',
  additionalProperties: false,
  required: ['rows', 'sha256'],
  properties: { rows: { type: 'integer' }, sha256: { type: 'string', pattern: '^[0-9a-f]{64}$' } },
}

/** The published JSON Schema of a whole house as a file, read off the tables. */
export function houseSchema(tables) {
  const names = tables.map(({ name }) => name)
  const of = (make) => ({
    type: 'object',
    additionalProperties: false,
    required: names,
    properties: Object.fromEntries(tables.map((table) => [table.name, make(table)])),
  })
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'oak-basin/house',
    type: 'object',
    additionalProperties: false,
    required: ['format', 'formatVersion', 'exportedAt', 'tables', 'sums'],
    properties: {
      format: { const: 'oak-basin/house' },
      formatVersion: { const: 1 },
      exportedAt: { type: 'string', format: 'date-time' },
      tables: of(tableOf),
      sums: of(() => counted),
    },
  }
}
