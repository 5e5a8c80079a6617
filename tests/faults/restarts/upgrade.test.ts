import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { drizzle } from 'drizzle-orm/postgres-js'
import { migrate as run } from 'drizzle-orm/postgres-js/migrator'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Cluster } from '../../../scripts/cluster.mjs'
import { ensurePostgres } from '../../../scripts/postgres.mjs'
import { ROOT } from '../../../scripts/say.mjs'
import { migrate, waitsForUpdate } from '../../../scripts/setup.mjs'

/** A house of an older version is brought up to date from every step there ever was. */
const MIGRATIONS = join(ROOT, 'db', 'migrations')
interface Journal {
  entries: { tag: string }[]
}
const journalOf = (folder: string) =>
  JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as Journal
const STEPS = journalOf(MIGRATIONS).entries
/** The last step before hours, sessions and the rule that a room is in one visit at a time. */
const BEFORE_HOURS = STEPS.findIndex(({ tag }) => tag.includes('hours_and_sessions'))

const folder = mkdtempSync(join(tmpdir(), 'oak-upgrade-'))
let cluster: Cluster
beforeAll(async () => {
  cluster = new Cluster(await ensurePostgres(), 'faults-upgrade', {
    durable: false,
    firstPort: 24790,
  })
  cluster.remove()
  await cluster.up()
})
afterAll(() => {
  cluster.remove()
  rmSync(folder, { recursive: true, force: true })
})

/** Puts the tables at one step of the past. */
async function tablesAt(steps: number): Promise<void> {
  cluster.dropData()
  const older = join(folder, String(steps))
  cpSync(MIGRATIONS, older, { recursive: true })
  const journal = journalOf(older)
  const cut = { ...journal, entries: journal.entries.slice(0, steps) }
  writeFileSync(join(older, 'meta', '_journal.json'), JSON.stringify(cut))
  const sql = postgres(cluster.url('owner'), { max: 1, onnotice: () => {} })
  await run(drizzle(sql), { migrationsFolder: older })
  await sql.end()
}

/** Every step in the full run; else the first, the last ones, and some on the way. */
const [SOME, LAST] = [6, 3]
const LOOKED_AT = STEPS.map((_, steps) => steps).filter(
  (steps) =>
    steps > 0 &&
    (process.env.OAK_FULL !== undefined || steps % SOME === 1 || steps >= STEPS.length - LAST),
)

describe('an older house', () => {
  it('comes up to date from its step, whichever it is, and says beforehand that it waits for it', async () => {
    for (const steps of LOOKED_AT) {
      await tablesAt(steps)
      expect(await waitsForUpdate(cluster.url('owner')), STEPS[steps]?.tag).toBe(true)
      await migrate(cluster.url('owner'))
      expect(await waitsForUpdate(cluster.url('owner'))).toBe(false)
    }
  })
  it('keeps visits that overlapped before that was asked, and they say so', async () => {
    await tablesAt(BEFORE_HOURS)
    const sql = postgres(cluster.url('owner'), { max: 1, onnotice: () => {} })
    const [staff, room, client] = [1, 2, 3].map(
      (place) => `00000000-0000-4000-8000-00000000000${place}`,
    )
    await sql`insert into practice (name, address, phone, emergency, time_zone, school)
      values ('House', '', '', '112', 'UTC', 'warmCloth')`
    await sql`insert into staff (id, name, email, role, licences, password_hash)
      values (${staff ?? ''}, 'Owner', 'owner@house.example', 'owner', '[]', 'x')`
    await sql`insert into rooms (id, name) values (${room ?? ''}, 'Room')`
    await sql`insert into clients (id, name, created_by) values (${client ?? ''}, 'Client', ${staff ?? ''})`
    for (const clock of ['10:00', '10:30', '10:45', '12:00'])
      await sql`insert into visits (id, client_id, staff_id, room_id, starts_at, minutes, school)
        values (gen_random_uuid(), ${client ?? ''}, ${staff ?? ''}, ${room ?? ''},
          ${`2026-01-01T${clock}Z`}, 60, 'warmCloth')`
    await migrate(cluster.url('owner'))
    const told =
      await sql`select allowed_because is not null as told from visits order by starts_at`
    expect(told.map((row) => row.told as boolean)).toEqual([false, true, true, false])
    await sql.end()
  })
})
