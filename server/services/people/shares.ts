import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm'
import type { ClientPractices } from '#contracts/replies/branches'
import { clientJoins, clientShares, visits } from '#db/schema'
import { conflict, notFound, refused } from '../../problem/problem'
import type { Client } from '../access'
import { branchHere, inBranch } from '../branch'
import { otherBranches, severalBranches } from '../branches'
import { database } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { MOMENT } from '../visits/moment'

/** A client's file in one of the practices that share this database. */
export interface FileThere {
  branch: string
  file: string
}
/** Days of treatment elsewhere that are shown. */
const SHOWN = 10

/** A file and those that were joined into it: what was allowed for one of them stands. */
async function withJoined(clientId: string): Promise<string[]> {
  const rows = await database()
    .select({ id: clientJoins.joinedId })
    .from(clientJoins)
    .where(and(eq(clientJoins.keptId, clientId), isNull(clientJoins.partedAt)))
  return [clientId, ...rows.map(({ id }) => id)]
}

const standing = (files: string[]) =>
  database()
    .select()
    .from(clientShares)
    .where(
      and(
        isNull(clientShares.endedAt),
        or(inArray(clientShares.homeFile, files), inArray(clientShares.atFile, files)),
      ),
    )
    .orderBy(asc(clientShares.at))

/** Where else this client may be seen, by way of the practice whose client it is. */
export async function filesElsewhere(clientId: string): Promise<FileThere[]> {
  if (!(await severalBranches())) return []
  const own = await standing(await withJoined(clientId))
  const guest = own.find(({ atBranch }) => atBranch === branchHere())
  if (!guest) return own.map(guestOf)
  const home = { branch: guest.homeBranch, file: guest.homeFile }
  const others = await inBranch(home.branch, async () => standing(await withJoined(home.file)))
  return [home, ...others.map(guestOf).filter(({ branch }) => branch !== branchHere())]
}
const guestOf = ({ atBranch, atFile }: typeof clientShares.$inferSelect): FileThere => ({
  branch: atBranch,
  file: atFile,
})

/** Does something in each other practice that may see this client. */
export async function elsewhere<Found>(
  clientId: string,
  work: (file: string) => Promise<Found>,
): Promise<Found[]> {
  const files = await filesElsewhere(clientId)
  return Promise.all(files.map(({ branch, file }) => inBranch(branch, () => work(file))))
}

/** Of which practice the client is, where they may be seen, and when they were treated there. */
export async function practicesOf(clientId: string): Promise<ClientPractices> {
  const others = await otherBranches()
  if (others.length === 0) return { home: null, others: [], treated: [] }
  const rows = await standing(await withJoined(clientId))
  const guest = rows.find(({ atBranch }) => atBranch === branchHere())
  const names = await Promise.all(others.map(({ id, name }) => inBranch(id, () => nameHere(name))))
  const nameOf = (branch: string) => names[others.findIndex(({ id }) => id === branch)] ?? ''
  const treated = await elsewhere(clientId, treatedHere)
  return {
    home: guest ? nameOf(guest.homeBranch) : null,
    others: others.map(({ id }, at) => ({
      id,
      name: names[at] ?? '',
      since: rows.find(({ atBranch }) => atBranch === id)?.at.getTime() ?? null,
    })),
    treated: treated
      .flat()
      .sort((one, other) => (one.day < other.day ? 1 : -1))
      .slice(0, SHOWN),
  }
}
/** What a practice is called; until its first hour as whoever added it calls it. */
const nameHere = (added: string): Promise<string> =>
  thePractice().then(
    ({ name }) => name,
    () => added,
  )

async function treatedHere(file: string): Promise<ClientPractices['treated']> {
  const { name, timeZone } = await thePractice()
  const rows = await database()
    .select({ at: MOMENT })
    .from(visits)
    .where(and(eq(visits.clientId, file), isNotNull(visits.begunAt)))
    .orderBy(desc(MOMENT))
    .limit(SHOWN)
  return rows.map(({ at }) => ({ practice: name, day: dayIn(timeZone, at) }))
}

/**
 * Lets a client be seen at another practice of the house: they get a file there, and what was done at
 * either counts at both.
 * @throws ProblemError 404 for a practice there is not, 409 where it has no owner yet, 422 for a guest
 */
export async function allowAt(me: Staff, client: Client, branch: string): Promise<void> {
  await mustBeOurs(client, branch)
  const done = await database().execute<{ shared: boolean }>(
    sql`select share_client(${randomUUID()}::uuid, ${client.id}::uuid, ${branch}::uuid,
      ${randomUUID()}::uuid, ${me.id}::uuid) as shared`,
  )
  if (done[0]?.shared !== true) throw conflict('That practice is not set up yet: it has no owner.')
}

/** From now on nothing of the one counts at the other. Both files stay, with what is in them. */
export async function endAt(client: Client, branch: string): Promise<void> {
  await mustBeOurs(client, branch)
  await database()
    .update(clientShares)
    .set({ endedAt: new Date() })
    .where(
      and(
        inArray(clientShares.homeFile, await withJoined(client.id)),
        eq(clientShares.atBranch, branch),
        isNull(clientShares.endedAt),
      ),
    )
}

/** Before a file is erased: what is on file elsewhere is erased there, by its own owner. */
export async function endEverywhere(client: Client): Promise<void> {
  if (!(await severalBranches())) return
  await database()
    .update(clientShares)
    .set({ endedAt: new Date() })
    .where(and(eq(clientShares.homeFile, client.id), isNull(clientShares.endedAt)))
}

async function mustBeOurs(client: Client, branch: string): Promise<void> {
  if (!(await otherBranches()).some(({ id }) => id === branch)) throw notFound()
  const rows = await standing([client.id])
  if (rows.some(({ atBranch }) => atBranch === branchHere()))
    throw refused('This is a client of another practice: its owner decides where they are seen.')
}

/** When people who work elsewhere too are taken there: by e-mail. */
export interface TakenElsewhere {
  email: string
  startsAt: Date
  minutes: number
}
/** @param emails lower case */
export async function takenElsewhere(
  on: Pick<ReturnType<typeof database>, 'execute'>,
  emails: readonly string[],
  { from, to }: { from: Date; to: Date },
): Promise<TakenElsewhere[]> {
  const list = sql`array[${sql.join(
    emails.map((email) => sql`${email}`),
    sql`, `,
  )}]::text[]`
  const rows = await on.execute<{ email: string; starts_at: string | Date; minutes: number }>(
    sql`select email, starts_at, minutes from taken_elsewhere(${branchHere()}::uuid, ${list},
      ${from.toISOString()}::timestamptz, ${to.toISOString()}::timestamptz)`,
  )
  return rows.map(({ email, starts_at: at, minutes }) => ({
    ...{ email, minutes },
    startsAt: new Date(at),
  }))
}
