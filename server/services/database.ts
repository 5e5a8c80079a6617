import { drizzle, type PostgresJsDatabase } from 'drizzle-orm/postgres-js'
import postgres, { type Sql } from 'postgres'
import * as schema from '#db/schema'

let opened: { sql: Sql; db: PostgresJsDatabase<typeof schema> } | undefined

function open() {
  if (!opened) {
    const url = useRuntimeConfig().databaseUrl
    if (!url) throw new Error('NUXT_DATABASE_URL is not set')
    const sql = postgres(url, { max: 10, connect_timeout: 5, onnotice: () => {}, idle_timeout: 60 })
    opened = { sql, db: drizzle(sql, { schema }) }
  }
  return opened
}
export const database = () => open().db
export const sqlClient = () => open().sql
export type Database = PostgresJsDatabase<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
