import { and, asc, eq, gte, inArray, isNotNull, isNull, gt, lt, ne, or } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { DueLine } from '#contracts/replies/day'
import { dayInWords } from '#core/screening/asking/days'
import { clients, plans, staff, visits } from '#db/schema'
import { database } from '../database'
import { dayBounds, dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

/** What was begun and waits for somebody's hand: records to seal, plans of trainees to sign. */
export async function unfinished(me: Staff, day: string): Promise<DueLine[]> {
  const { timeZone } = await thePractice()
  const lists = await Promise.all([
    recordsToSeal(me, timeZone, day),
    plansToSign(me, timeZone, day),
    versionsToSign(me),
  ])
  return lists.flat()
}

/** Treated before today and not sealed; of everybody for the owner. Of today the cards say so. */
async function recordsToSeal(me: Staff, timeZone: string, day: string): Promise<DueLine[]> {
  const rows = await database()
    .select({ v: visits, client: clients.name, staff: staff.name })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .innerJoin(staff, eq(staff.id, visits.staffId))
    .where(
      and(
        inArray(visits.status, ['treating', 'closing']),
        lt(visits.startsAt, dayBounds(timeZone, day).from),
        isNull(clients.erasedAt),
        me.role === 'owner' ? undefined : eq(visits.staffId, me.id),
      ),
    )
    .orderBy(asc(visits.startsAt))
  return rows.map(({ v, client, staff: by }) => {
    const runs = v.status === 'treating'
    const when = dayInWords(dayIn(timeZone, v.begunAt ?? v.startsAt))
    return {
      kind: 'watch',
      title: runs
        ? `${client}: the treatment was never ended`
        : `${client}: the record is not sealed`,
      text: `treated on ${when}, ${by}`,
      to: `/visits/${v.id}/${runs ? 'treat' : 'close'}`,
    }
  })
}

const holder = alias(staff, 'holder')
const author = alias(staff, 'author')

/** Drafts of trainees for visits to come that nobody has signed yet; to the trainee without a way. */
async function plansToSign(me: Staff, timeZone: string, day: string): Promise<DueLine[]> {
  const rows = await database()
    .select({ id: visits.id, startsAt: visits.startsAt, client: clients.name, holder: holder.name })
    .from(visits)
    .innerJoin(plans, and(eq(plans.visitId, visits.id), eq(plans.version, 0)))
    .innerJoin(holder, eq(holder.id, visits.staffId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(
      and(
        eq(visits.status, 'booked'),
        eq(holder.role, 'trainee'),
        gte(visits.startsAt, dayBounds(timeZone, day).from),
        isNotNull(plans.steps),
        isNull(plans.countersignedBy),
        isNull(clients.erasedAt),
        me.role === 'trainee' ? eq(visits.staffId, me.id) : ne(visits.staffId, me.id),
      ),
    )
    .orderBy(asc(visits.startsAt))
  return rows.map(({ id, startsAt, client, holder: by }) => ({
    kind: 'watch',
    title:
      me.role === 'trainee'
        ? `${client}: your plan is not signed yet`
        : `Sign the plan for ${client}`,
    text: `${by}, ${dayInWords(dayIn(timeZone, startsAt))}`,
    to: `/visits/${id}/plan`,
  }))
}

/** What a trainee changed in the room: it is signed before the record is sealed. */
async function versionsToSign(me: Staff): Promise<DueLine[]> {
  if (me.role === 'trainee') return []
  const rows = await database()
    .select({ id: visits.id, version: plans.version, client: clients.name, author: author.name })
    .from(visits)
    .innerJoin(plans, and(eq(plans.visitId, visits.id), gt(plans.version, 1)))
    .innerJoin(author, eq(author.id, plans.by))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(
      and(
        or(eq(visits.status, 'treating'), eq(visits.status, 'closing')),
        eq(author.role, 'trainee'),
        ne(visits.staffId, me.id),
        isNull(plans.countersignedBy),
        isNull(clients.erasedAt),
      ),
    )
    .orderBy(asc(visits.startsAt), asc(plans.version))
  return rows.map(({ id, version, client, author: by }) => ({
    kind: 'watch',
    title: `Sign what was changed for ${client}`,
    text: `version ${version} of the plan, ${by}`,
    to: `/visits/${id}/close`,
  }))
}
