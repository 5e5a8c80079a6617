import { desc, eq } from 'drizzle-orm'
import type { PracticePage } from '#contracts/practice'
import { audit, clients, houseRules, staff } from '#db/schema'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { thePractice } from '../services/practice'
import { database } from '../services/database'
import { dayIn } from '../services/dates'
import { scopeIn } from '../services/policy'

export default route({}, async ({ me }): Promise<PracticePage> => {
  ownerOnly(me)
  const db = database()
  const [house, people, lines, rules] = await Promise.all([
    thePractice(),
    db
      .select({
        id: staff.id,
        name: staff.name,
        email: staff.email,
        role: staff.role,
        licences: staff.licences,
        licenceUntil: staff.licenceUntil,
        active: staff.active,
      })
      .from(staff)
      .orderBy(staff.name),
    db
      .select({
        id: audit.id,
        at: audit.at,
        action: audit.action,
        allowed: audit.allowed,
        staff: staff.name,
        client: clients.name,
      })
      .from(audit)
      .leftJoin(staff, eq(staff.id, audit.staffId))
      .leftJoin(clients, eq(clients.id, audit.clientId))
      .orderBy(desc(audit.id))
      .limit(60),
    db
      .select({ r: houseRules, by: staff.name })
      .from(houseRules)
      .innerJoin(staff, eq(staff.id, houseRules.by))
      .orderBy(desc(houseRules.at))
      .limit(50),
  ])
  const today = dayIn(house.timeZone, Date.now())
  return {
    house,
    people: people.map((person) => ({ ...person, scope: scopeIn(person, house.allows, today) })),
    rules: rules.map(({ r: row, by }) => ({
      id: row.id,
      rule: row.rule,
      change: row.change,
      reason: row.reason,
      by,
      at: row.at.getTime(),
      ended: row.endedAt?.getTime() ?? null,
    })),
    audit: lines.map((line) => ({ ...line, at: line.at.getTime() })),
  }
})
