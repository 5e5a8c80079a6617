import { visitDocument } from '#contracts/exchange'
import { desc, eq } from 'drizzle-orm'
import type { ClientFile, FileImport } from '#contracts/replies/clientFile'
import { earliestDays } from '#core/screening/verdict/earliest'
import { openReactions } from '#core/screening/products/reactions'
import { pouredAtHome } from '#core/load/home'
import { askedHere, beforeToday, earlierBars } from '#core/visit/today'
import { consultations, imports, readings, visits } from '#db/schema'
import type { Client } from '../access'
import { answersOf } from '../after/checkIns'
import { database } from '../database'
import { ageOn, dayBounds, dayIn } from '../dates'
import { callsDue } from '../day/calls'
import { nextBooked } from '../visits/nextVisit'
import { testsOf } from './careOf'
import { visitsOf } from './clientVisits'
import { earlierOf } from './earlier'
import type { Staff } from '../session/session'
import { reactionsOf } from './reactions'
import { houseRulesNow } from '../house/policy'
import { thePractice } from '../practice'

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
      lastRead(client.id, timeZone),
      houseRulesNow(),
      callsDue(LATEST, client.id),
    ])
  const atHome = pouredAtHome(told?.answers ?? {}, today, timeZone, { goesOn: true })
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
        ...earlierBars(
          beforeToday({
            past,
            today,
            previousReading: read,
          }),
        ),
        ...askedHere(
          { today, houseRules: rules, lifts: [], client, visit: { at: now.getTime() } },
          told?.answers ?? {},
        ).bars,
      ],
      today,
    ),
    visits: history,
    next,
    poured: [...poured, ...atHome].sort((one, other) => one.at - other.at),
    imports: imported,
    afterwards: await answersOf(client.id),
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
  tags: client.tags,
  faceHeightMm: client.faceHeightMm,
  faceWidthMm: client.faceWidthMm,
  messages: client.messages,
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

/** The last reading of this client, whichever visit it was taken at, and the house's day of it. */
async function lastRead(clientId: string, timeZone: string) {
  const [read] = await database()
    .select({ at: readings.at, zones: readings.zones })
    .from(readings)
    .innerJoin(visits, eq(visits.id, readings.visitId))
    .where(eq(visits.clientId, clientId))
    .orderBy(desc(readings.at))
    .limit(1)
  return read?.zones ? { day: dayIn(timeZone, read.at), zones: read.zones } : null
}

async function importedFor(clientId: string): Promise<FileImport[]> {
  const rows = await database().select().from(imports).where(eq(imports.clientId, clientId))
  return rows.map((row) => ({
    id: row.id,
    head: row.head,
    holds: row.holds,
    ours: row.ours,
    at: row.at.getTime(),
    ...headOf(row.document),
  }))
}

/** Where and when a visit was that came from a file; a whole client's file has no one answer. */
const headOf = (document: unknown): { house: string; startsAt: string } => {
  const { data } = visitDocument.safeParse(document)
  return { house: data?.practice.name ?? '', startsAt: data?.visit.startsAt ?? '' }
}
