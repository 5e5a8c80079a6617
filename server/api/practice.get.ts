import { desc, eq } from 'drizzle-orm'
import { audit, clients, staff } from '#db/schema'
import { forbidden } from '../http/problem'
import { route } from '../http/route'
import { thePractice } from '../services/practice'
import { database } from '../services/database'
import { verifyChain } from '../services/records'

export default route({}, async ({ me }) => {
  if (me.role !== 'owner') throw forbidden('The practice page is the owner\'s.')
  const db = database()
  const [house, people, chain, lines] = await Promise.all([
    thePractice(), db.select({ id: staff.id, name: staff.name, email: staff.email, role: staff.role, licences: staff.licences, active: staff.active }).from(staff), verifyChain(),
    db.select({ id: audit.id, at: audit.at, action: audit.action, allowed: audit.allowed, staff: staff.name, client: clients.name }).from(audit).leftJoin(staff, eq(staff.id, audit.staffId)).leftJoin(clients, eq(clients.id, audit.clientId)).orderBy(desc(audit.id)).limit(60),
  ])
  return { house, people, chain, audit: lines.map((l) => ({ ...l, at: l.at.getTime() })) }
})
