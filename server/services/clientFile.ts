import { desc, eq } from 'drizzle-orm'
import type { ClientFile, FileImport } from '#contracts/clientFile'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { restBars } from '#core/load/rest'
import { barsAfterBreakout } from '#core/screening/breakout'
import { earliestDays } from '#core/screening/earliest'
import { tightened } from '#core/screening/houseRules'
import { screen } from '#core/screening/verdict'
import { openReactions } from '#core/screening/reactions'
import { pouredAtHome } from '#core/load/home'
import { consultations, imports, readings, visits } from '#db/schema'
import type { Client } from './access'
import { database } from './database'
import { ageOn, dayBounds, dayIn } from './dates'
import { callsDue } from './calls'
import { nextBooked } from './nextVisit'
import { testsOf } from './careOf'
import { visitsOf } from './clientVisits'
import { earlierOf } from './earlier'
import type { Staff } from './session'
import { reactionsOf } from './reactionsOf'
import { houseRulesNow } from './policy'
import { thePractice } from './practice'

/** Every call that is not made, whenever it is due. */
const LATEST = '9999-12-31'

/** A client's file in one reply. Rights are checked by the caller. */
export async function readFile(me: Staff, client: Client): Promise<ClientFile> {
  const { timeZone } = await thePractice()
  const now = new Date()
  const today = dayIn(timeZone, now)
  const [history, { past, poured }, told, next, imported, reactions, tests, read, rules, calls] =
    await Promise.all([
      visitsOf(client.id, 1),
      earlierOf(me, client.id, now),
      lastTold(client.id),
      nextBooked(client.id, dayBounds(timeZone, today).from),
      importedFor(client.id),
      reactionsOf(client.id),
      testsOf(client.id),
      lastRead(client.id),
      houseRulesNow(),
      callsDue(LATEST, client.id),
    ])
  const atHome = pouredAtHome(told?.answers ?? {}, today, true)
  return {
    now: now.getTime(),
    today,
    timeZone,
    client: clientPart(client, today),
    answers: told?.answers ?? null,
    reactions: openReactions(reactions, tests),
    toldAt: told?.at.getTime() ?? null,
    calls,
    waits: earliestDays(
      [
        ...restBars(past, today),
        ...screen(told?.answers ?? {}, today, tightened(CONTRAINDICATIONS, rules)).bars,
        ...barsAfterBreakout(
          read?.zones ? { day: dayIn(timeZone, read.at), zones: read.zones } : undefined,
          today,
        ),
      ],
      today,
    ),
    visits: history,
    next,
    poured: [...poured, ...atHome].sort((one, other) => one.at - other.at),
    imports: imported,
  }
}

const clientPart = (client: Client, today: string): ClientFile['client'] => ({
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
})

async function lastTold(clientId: string) {
  const [told] = await database()
    .select()
    .from(consultations)
    .where(eq(consultations.clientId, clientId))
    .orderBy(desc(consultations.at))
    .limit(1)
  return told
}

/** The last reading of this client, whichever visit it was taken at. */
async function lastRead(clientId: string) {
  const [read] = await database()
    .select({ at: readings.at, zones: readings.zones })
    .from(readings)
    .innerJoin(visits, eq(visits.id, readings.visitId))
    .where(eq(visits.clientId, clientId))
    .orderBy(desc(readings.at))
    .limit(1)
  return read
}

async function importedFor(clientId: string): Promise<FileImport[]> {
  const rows = await database().select().from(imports).where(eq(imports.clientId, clientId))
  return rows.map((row) => ({
    id: row.id,
    head: row.head,
    holds: row.holds,
    ours: row.ours,
    at: row.at.getTime(),
    house: textAt(row.document, 'practice', 'name'),
    startsAt: textAt(row.document, 'visit', 'startsAt'),
  }))
}

const asRecord = (value: unknown): Record<string, unknown> =>
  typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {}
const textAt = (document: unknown, part: string, field: string): string =>
  String(asRecord(asRecord(document)[part])[field] ?? '')
