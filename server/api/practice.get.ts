import { desc, eq } from 'drizzle-orm'
import { houseRules, staff } from '#db/schema'
import { practicePage, type PracticePage } from '#contracts/replies/practice'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { thePractice } from '../services/practice'
import { database } from '../services/database'
import { dayIn } from '../services/dates'
import { lastBackupAt } from '../services/backups'
import { scopeIn } from '../services/house/policy'

export default route({ reply: practicePage }, async ({ me }): Promise<PracticePage> => {
  ownerOnly(me)
  const db = database()
  const [house, people, rules, lastBackup] = await Promise.all([
    thePractice(),
    db
      .select({
        id: staff.id,
        name: staff.name,
        email: staff.email,
        role: staff.role,
        licences: staff.licences,
        licenceUntil: staff.licenceUntil,
        licenceNotes: staff.licenceNotes,
        active: staff.active,
      })
      .from(staff)
      .orderBy(staff.name),
    db
      .select({ r: houseRules, by: staff.name })
      .from(houseRules)
      .innerJoin(staff, eq(staff.id, houseRules.by))
      .orderBy(desc(houseRules.at)),
    lastBackupAt(),
  ])
  const today = dayIn(house.timeZone, Date.now())
  return {
    house: {
      name: house.name,
      address: house.address,
      phone: house.phone,
      emergency: house.emergency,
      timeZone: house.timeZone,
      retentionYears: house.retentionYears,
      cleaningMinutes: house.cleaningMinutes,
      allows: house.allows,
    },
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
    lastBackup,
  }
})
