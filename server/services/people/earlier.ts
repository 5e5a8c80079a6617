import { and, eq, inArray, ne } from 'drizzle-orm'
import { learnedFrom } from '#core/dosing/learned'
import type { PastWork, Taken } from '#core/load/rest'
import { takenIn } from '#core/record/taken'
import type { SealedWork } from '#core/record/work'
import type { VisitBundle } from '#core/visit/bundle'
import { lastTimes } from '#core/visit/lastTime'
import { clientDocument, visitDocument, workElsewhere } from '#contracts/exchange'
import { readParts, recordParts } from '#core/visit/record'
import { imports, visits } from '#db/schema'
import { toldAfterwards } from '../after/told'
import { plannedBefore } from '../after/planned'
import { readBare } from '../visits/bareBundle'
import { database } from '../database'
import { dayIn } from '../dates'
import { beforeMoment, momentOf } from '../visits/moment'
import { atHomeBefore, sealedBefore, type Treated } from './sealedPast'
import { elsewhere } from './shares'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

type Earlier = Pick<VisitBundle, 'past' | 'poured' | 'lastTime' | 'learned'>

/**
 * What earlier visits and home have left: work that asks for rest, what was poured in, how each
 * technique went. A visit counts from its taps on, sealed or not; one of another practice that may
 * see this client as well, and one that a file tells of.
 * @param but the visit that asks
 */
export async function earlierOf(
  me: Staff,
  clientId: string,
  before: Date,
  but?: string,
): Promise<Earlier> {
  const { timeZone } = await thePractice()
  const [here, beyond, home, planned] = await Promise.all([
    workedHere(me, clientId, before, but),
    elsewhere(clientId, (file) => workedHere(me, file, before)),
    atHomeBefore(clientId, before),
    plannedBefore(clientId, before),
  ])
  const { ours } = here
  const worked = [here, ...beyond].flatMap((own) => own.worked).sort(latestFirst)
  const poured = worked.map(({ at, work: { label, loads } }) => ({
    ...{ at: at.getTime(), label, loads },
  }))
  return {
    past: worked.map(({ at, work, told }) => pastOf(dayIn(timeZone, at), work, told)),
    poured: [...poured, ...home, ...planned].sort((one, other) => one.at - other.at),
    lastTime: lastTimeOf(ours, timeZone),
    learned: learnedFrom([...ours].reverse().map(({ treatment }) => takenIn(treatment))),
  }
}
const latestFirst = (one: { at: Date }, other: { at: Date }) =>
  other.at.getTime() - one.at.getTime()

/** Work that was done before, and how it was taken by what the client said of it afterwards. */
interface Worked {
  at: Date
  work: SealedWork
  told: Taken | undefined
}
/** What one practice knows of a client's earlier work: its own visits, and those it was told of. */
async function workedHere(
  me: Staff,
  clientId: string,
  before: Date,
  but?: string,
): Promise<{ ours: Treated[]; worked: Worked[] }> {
  const [sealed, open, files, told] = await Promise.all([
    sealedBefore(clientId, before),
    openBefore(me, clientId, before, but),
    toldBefore(clientId, before),
    toldAfterwards(clientId),
  ])
  const ours = [...sealed, ...open].sort(latestFirst)
  const worked = [...ours, ...files].flatMap(({ id, at, work }) =>
    work ? [{ at, work, told: told.get(id ?? '') }] : [],
  )
  return { ours, worked }
}

/** @param told how it was taken by what the client said of it afterwards */
function pastOf(day: string, work: SealedWork, told: Taken | undefined): PastWork {
  const { families, regions, techniques } = work
  const taken = [work.taken, told].includes('badly') ? 'badly' : (told ?? work.taken)
  return { ...{ day, families, regions, techniques }, ...(taken === undefined ? {} : { taken }) }
}

/** How each technique went at the last visit that was treated here. */
function lastTimeOf(ours: readonly Treated[], zone: string): VisitBundle['lastTime'] {
  const [last] = ours
  const times = lastTimes(last?.treatment)
  if (!last || times.length === 0) return null
  const { at, makeUp } = last
  return { at: at.getTime(), day: dayIn(zone, at), makeUp, times }
}

/** Visits that were treated and are not sealed yet: what was tapped is what was done. */
async function openBefore(
  me: Staff,
  clientId: string,
  before: Date,
  but: string | undefined,
): Promise<Treated[]> {
  const rows = await database()
    .select()
    .from(visits)
    .where(
      and(
        eq(visits.clientId, clientId),
        inArray(visits.status, ['treating', 'closing']),
        beforeMoment(before),
        but === undefined ? undefined : ne(visits.id, but),
      ),
    )
  return Promise.all(
    rows.map(async (visit) => {
      const bare = await readBare(me, visit)
      const { work, treatment } = readParts(
        recordParts({ ...bare, past: [], poured: [], lastTime: null, learned: {} }, ''),
      )
      return {
        id: visit.id,
        at: momentOf(visit),
        makeUp: visit.makeUp,
        work,
        treatment,
      }
    }),
  )
}

/**
 * Visits that came from other houses: what their files say was done counts as told, once however
 * often it came, and not beside the client's own visit that it is a copy of.
 */
async function toldBefore(clientId: string, before: Date): Promise<Treated[]> {
  const db = database()
  const [files, own] = await Promise.all([
    db.select({ document: imports.document }).from(imports).where(eq(imports.clientId, clientId)),
    db.select({ id: visits.id }).from(visits).where(eq(visits.clientId, clientId)),
  ])
  const counted = new Set(own.map(({ id }) => id))
  return files
    .flatMap(({ document }) => toldIn(document))
    .flatMap(({ id, moment, content }): Treated[] => {
      const at = new Date(moment)
      const { data: work } = workElsewhere.safeParse(content)
      if (!work || !(at < before) || counted.has(id)) return []
      counted.add(id)
      return [{ at, makeUp: null, work, treatment: null }]
    })
}

/** Treatments that a file tells of: one visit, or a whole client with all of theirs. */
function toldIn(document: unknown): { id: string; moment: string; content: unknown }[] {
  const one = visitDocument.safeParse(document)
  if (one.success) {
    const { visit, parts } = one.data
    const content = parts.find(({ name }) => name === 'work')?.content
    return [{ id: visit.id, moment: visit.startsAt, content }]
  }
  const whole = clientDocument.safeParse(document)
  if (!whole.success) return []
  const { visits: all, record } = whole.data
  return all.map(({ id, startsAt, begunAt }) => ({
    id,
    moment: begunAt ?? startsAt,
    content: record.find((item) => item.visitId === id && item.name === 'work')?.content,
  }))
}
