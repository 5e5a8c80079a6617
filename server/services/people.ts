import { and, asc, desc, eq, gte, sql } from 'drizzle-orm'
import type { ClientFields } from '#contracts/people'
import { pouredAtHome } from '#core/load/home'
import { clients, consultations, imports, rooms, staff, visits } from '#db/schema'
import { conflict } from '../problem/problem'
import type { Client } from './access'
import { pastOf, visitsOf } from './bundle'
import { thePractice } from './practice'
import { database } from './database'
import { ageOn, dayBounds, dayIn } from './dates'
import type { Staff } from './session'

const values = (f: ClientFields) => ({
  name: f.name,
  born: f.born || null,
  phone: f.phone || null,
  email: f.email || null,
  work: f.work || null,
  medicines: f.medicines,
  notes: f.notes,
  faceHeightMm: f.faceHeightMm,
  faceWidthMm: f.faceWidthMm,
})

export async function addClient(me: Staff, id: string, fields: ClientFields): Promise<void> {
  await database()
    .insert(clients)
    .values({ id, ...values(fields), createdBy: me.id })
    .onConflictDoNothing()
}

/** An edit that has seen an older version is refused: nobody's change is lost silently. */
export async function editClient(
  client: Client,
  version: number,
  fields: ClientFields,
): Promise<number> {
  const done = await database()
    .update(clients)
    .set({ ...values(fields), version: version + 1 })
    .where(and(eq(clients.id, client.id), eq(clients.version, version)))
    .returning({ v: clients.version })
  if (done.length === 0)
    throw conflict(
      'A colleague has changed this file meanwhile. What you typed is kept; look at theirs, then save again.',
      [{ field: 'version', given: String(version), allowed: String(client.version) }],
    )
  return version + 1
}

/** A client's file: who they are, what stands on top, past and next visits, the ledger. */
export async function readFile(client: Client) {
  const house = await thePractice()
  const now = new Date()
  const today = dayIn(house.timeZone, now)
  const [history, { poured }, [answers], next, foreign] = await Promise.all([
    visitsOf(client.id),
    pastOf(client.id, now, house.timeZone),
    database()
      .select()
      .from(consultations)
      .where(eq(consultations.clientId, client.id))
      .orderBy(desc(consultations.at))
      .limit(1),
    database()
      .select({
        id: visits.id,
        startsAt: visits.startsAt,
        minutes: visits.minutes,
        room: rooms.name,
        staff: staff.name,
      })
      .from(visits)
      .innerJoin(rooms, eq(rooms.id, visits.roomId))
      .innerJoin(staff, eq(staff.id, visits.staffId))
      .where(
        and(
          eq(visits.clientId, client.id),
          gte(visits.startsAt, dayBounds(house.timeZone, today).from),
          eq(visits.status, 'booked'),
        ),
      )
      .orderBy(asc(visits.startsAt))
      .limit(1),
    database()
      .select({
        id: imports.id,
        head: imports.head,
        holds: imports.holds,
        ours: imports.ours,
        at: imports.at,
        document: imports.document,
      })
      .from(imports)
      .where(eq(imports.clientId, client.id)),
  ])
  return {
    now: now.getTime(),
    today,
    timeZone: house.timeZone,
    client: {
      id: client.id,
      name: client.name,
      born: client.born,
      age: ageOn(client.born, today),
      phone: client.phone,
      email: client.email,
      work: client.work,
      medicines: client.medicines,
      notes: client.notes,
      faceHeightMm: client.faceHeightMm,
      faceWidthMm: client.faceWidthMm,
      version: client.version,
      erased: client.erasedAt !== null,
    },
    answers: answers?.answers ?? null,
    toldAt: answers?.at.getTime() ?? null,
    visits: history.map((v) => ({
      id: v.id,
      startsAt: v.startsAt.getTime(),
      minutes: v.minutes,
      status: v.status,
      staff: v.staff,
      work: labelOf(v.work),
    })),
    next: next[0] ? { ...next[0], startsAt: next[0].startsAt.getTime() } : null,
    poured: [...poured, ...pouredAtHome(answers?.answers ?? {}, today, true)].sort(
      (a, b) => a.at - b.at,
    ),
    imports: foreign.map((f) => ({
      id: f.id,
      head: f.head,
      holds: f.holds,
      ours: f.ours,
      at: f.at.getTime(),
      house: houseOf(f.document),
      startsAt: startOf(f.document),
    })),
  }
}

const labelOf = (w: unknown) =>
  typeof w === 'object' && w !== null && 'label' in w ? String(w.label) : null
const part = (d: unknown, a: string, b: string): string => {
  const x = typeof d === 'object' && d !== null ? (d as Record<string, unknown>)[a] : undefined
  return typeof x === 'object' && x !== null ? String((x as Record<string, unknown>)[b] ?? '') : ''
}
const houseOf = (d: unknown) => part(d, 'practice', 'name')
const startOf = (d: unknown) => part(d, 'visit', 'startsAt')

/** The database refuses while the law keeps a record. */
export async function eraseClient(client: Client): Promise<void> {
  await database().execute(sql`select erase_client(${client.id}::uuid)`)
}
