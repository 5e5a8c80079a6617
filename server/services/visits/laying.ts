import { and, eq, sql } from 'drizzle-orm'
import { trayTicks } from '#db/schema'
import type { Visit } from '../access'
import { database } from '../database'
import type { Staff } from '../session/session'
import { holdFor } from './holding'

/** Keys of the tray that are laid out for a visit. */
export async function laidFor(visitId: string): Promise<string[]> {
  const rows = await database()
    .select({ key: trayTicks.key })
    .from(trayTicks)
    .where(eq(trayTicks.visitId, visitId))
  return rows.map(({ key }) => key)
}

/** One thing laid out, or taken away again; every other tablet on this visit is told. */
export async function lay(
  me: Staff,
  visit: Visit,
  { key, laid }: { key: string; laid: boolean },
): Promise<void> {
  await database().transaction(async (tx) => {
    await holdFor(tx, visit.id, 'laid')
    if (laid)
      await tx.insert(trayTicks).values({ visitId: visit.id, key, by: me.id }).onConflictDoNothing()
    else
      await tx.delete(trayTicks).where(and(eq(trayTicks.visitId, visit.id), eq(trayTicks.key, key)))
    await tx.execute(sql`select pg_notify('visit', ${visit.id})`)
  })
}
