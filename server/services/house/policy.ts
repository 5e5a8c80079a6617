import { and, eq, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import type { houseRulePost, scopePut } from '#contracts/care'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { LICENCE_IDS, type LicenceId } from '#core/catalogue/kinds'
import { loosens } from '#core/screening/verdict/houseRules'
import { scopeOf, type ScopeLine } from '#core/screening/verdict/scope'
import { houseRules, practice, staff } from '#db/schema'
import { notFound, refused } from '../../problem/problem'
import { database } from '../database'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

type StaffRow = typeof staff.$inferSelect
/** What a person may do in this house on a day. */
export const scopeIn = (
  person: Pick<StaffRow, 'licences' | 'licenceUntil'>,
  place: readonly LicenceId[],
  today: string,
): ScopeLine[] =>
  scopeOf(
    LICENCE_IDS.filter((licence) => person.licences.includes(licence)),
    person.licenceUntil,
    place,
    today,
  )

export async function myScope(me: Staff, today: string): Promise<LicenceId[]> {
  const [[row], house] = await Promise.all([
    database().select().from(staff).where(eq(staff.id, me.id)),
    thePractice(),
  ])
  return row
    ? scopeIn(row, house.allows, today)
        .filter((licence) => licence.counts)
        .map((licence) => licence.licence)
    : []
}

/**
 * Works one row of the table more strictly. A change that would loosen it is refused with what it
 * may be at most.
 */
export async function addHouseRule(me: Staff, body: z.infer<typeof houseRulePost>): Promise<void> {
  const row = CONTRAINDICATIONS.find((contraindication) => contraindication.id === body.rule)
  if (!row) throw notFound()
  const trouble = loosens(row, body.change)
  if (trouble !== undefined)
    throw refused(`Rules can only be made stricter: ${trouble}.`, [
      { field: 'change', given: JSON.stringify(body.change).slice(0, 80), allowed: trouble },
    ])
  await database()
    .insert(houseRules)
    .values({ id: body.id, rule: body.rule, change: body.change, reason: body.reason, by: me.id })
    .onConflictDoNothing()
}

export async function endHouseRule(id: string): Promise<void> {
  const done = await database()
    .update(houseRules)
    .set({ endedAt: new Date() })
    .where(and(eq(houseRules.id, id), isNull(houseRules.endedAt)))
    .returning({ id: houseRules.id })
  if (done.length === 0) throw notFound()
}

/** What the place allows, or what one person holds and until when. */
export async function saveScope(body: z.infer<typeof scopePut>): Promise<void> {
  if (body.staffId === null) {
    await database().update(practice).set({ allows: body.licences })
    return
  }
  const done = await database()
    .update(staff)
    .set({ licences: body.licences, licenceUntil: body.until, licenceNotes: body.notes })
    .where(eq(staff.id, body.staffId))
    .returning({ id: staff.id })
  if (done.length === 0) throw notFound()
}

/** The rows that this house works more strictly now. */
export const houseRulesNow = () =>
  database().select().from(houseRules).where(isNull(houseRules.endedAt)).orderBy(houseRules.at)
