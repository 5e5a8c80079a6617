import { max } from 'drizzle-orm'
import { backups, houseKind } from '#db/schema'
import { database } from './database'

/** When the house was backed up last, milliseconds; null where it never was. */
export async function lastBackupAt(): Promise<number | null> {
  const [row] = await database()
    .select({ at: max(backups.at) })
    .from(backups)
  return row?.at?.getTime() ?? null
}

/** Whether this is somebody's own house: the demo has nothing to lose. */
export async function isOwnHouse(): Promise<boolean> {
  const [row] = await database().select({ kind: houseKind.kind }).from(houseKind)
  return row?.kind === 'own'
}
