import { and, desc, eq, gt } from 'drizzle-orm'
import { audit } from '#db/schema'
import { database } from '../database'

/** A link that was made at the terminal is said for as long as it may open something. */
const SAID_MS = 7 * 24 * 3_600_000

/** When an owner's link was last made at the terminal of this computer; null where none was lately. */
export async function ownerLinkAt(): Promise<number | null> {
  const [line] = await database()
    .select({ at: audit.at })
    .from(audit)
    .where(and(eq(audit.action, 'staff.owner-link'), gt(audit.at, new Date(Date.now() - SAID_MS))))
    .orderBy(desc(audit.at))
    .limit(1)
  return line?.at.getTime() ?? null
}
