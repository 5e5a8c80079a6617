import { sql } from 'drizzle-orm'
import { route } from '../http/route'
import { database } from '../services/database'

export default route({ who: 'anyone' }, async () => {
  await database().execute(sql`select 1`)
  return { ready: true }
})
