import { randomUUID } from 'node:crypto'
import { DateTime } from 'luxon'
import postgres from 'postgres'
import { expect, it } from 'vitest'
import type { DayPage } from '#contracts/replies/day'
import { readParts, recordParts } from '#core/visit/record'
import type { VisitDocument } from '#contracts/exchange'
import { seeded } from '../../support/seeded'
import { bundleOf, tap } from '../../support/visit'
import { entered, must, zoneOfHouse, type SmallHouse } from './smallHouse'
import { bookOffered, prepare, type Booked } from './visits'

/**
 * What does not go by the book: write-ups left for later, a visit treated on another day than booked, a
 * recall while somebody lies there, a visit that comes in from another house.
 */
const LATE_EACH = 9
const MOVED_ON = 6
const RECALLED_ON = 15
const IMPORTED_ON = 17
const HOUR_MS = 3_600_000
const MINUTE_MS = 60_000

export class OddDays {
  /** Treated, their write-up still open. */
  private open: Booked[] = []
  readonly counted: string[] = []
  readonly moved: { id: string; from: string; to: string }[] = []
  readonly heard: { lots: string[]; lot: string; told: string[]; client: string }[] = []
  readonly told: { day: string | undefined; past: string[] }[] = []
  private readonly db: postgres.Sql

  constructor(private readonly small: SmallHouse) {
    this.db = postgres(small.house.cluster.url('owner'), { max: 1, onnotice: () => {} })
  }
  end = () => this.db.end()
  private get call() {
    return this.small.people.owner.call
  }

  isLate = (nth: number): boolean => nth % LATE_EACH === 4

  /** The house lives ahead of the clock: what was treated now was treated on its day. */
  onItsDay = async (id: string, at: number): Promise<void> => {
    await this.db`update visits set starts_at = ${new Date(at)}, begun_at = ${new Date(at)}
      where id = ${id}`
    const next = DateTime.fromMillis(at, { zone: zoneOfHouse() }).plus({ days: 1 }).toISODate()
    await this.db`update follow_ups set due_on = ${next}::date where visit_id = ${id}`
  }
  /** Visits that began, by their taps, after a bottle was called back, and drew from it all the same. */
  drewAfterRecall = async (lotId: string): Promise<string[]> => {
    const rows = await this.db<{ id: string }[]>`
      select distinct used.visit_id as id from lot_movements used
      where used.lot_id = ${lotId} and used.kind = 'used' and (
        select min(e.at) from visit_events e where e.visit_id = used.visit_id
      ) > (select extract(epoch from min(at)) * 1000 from lot_movements
        where lot_id = ${lotId} and kind = 'recalled')`
    return rows.map(({ id }) => id)
  }
  /** Its record is still to be written. */
  isLeft = (id: string): boolean => this.open.some((visit) => visit.id === id)
  leave = (visit: Booked): void => {
    this.open.push(visit)
  }

  /** Whoever comes again while the last write-up is open: it counts, and is written then. */
  async comesAgain(visit: Booked): Promise<void> {
    for (const late of this.open.filter(({ clientId }) => clientId === visit.clientId)) {
      const parts = recordParts(await bundleOf(this.call, late.id), '')
      const work = parts.find(({ name }) => name === 'work')?.content
      const { past } = await bundleOf(this.call, visit.id)
      const day = DateTime.fromMillis(late.startsAt, { zone: zoneOfHouse() }).toISODate()
      if (work) {
        expect(past.map((own) => own.day)).toContain(day)
        this.counted.push(late.id)
      }
      await this.writeUp(late)
    }
  }
  private async writeUp({ id }: Booked): Promise<void> {
    await must(this.call, 'POST', `/api/visits/${id}/seal`, { text: 'Written up later.' })
    this.open = this.open.filter((own) => own.id !== id)
  }
  async writeUpAll(): Promise<void> {
    for (const late of this.open) await this.writeUp(late)
  }

  async day(at: number, day: string, treated: readonly Booked[]): Promise<void> {
    if (at === MOVED_ON) await this.cameOnAnotherDay(day)
    if (at === RECALLED_ON) await this.recalledUnderWay(day)
    if (at === IMPORTED_ON) await this.fromElsewhere(day, treated)
  }

  /** Booked for three weeks later; treated today, as the start says by itself. */
  private async cameOnAnotherDay(day: string): Promise<void> {
    const clientId = await entered(this.call, 'Came Early')
    const from = DateTime.fromISO(day).plus({ weeks: 5 }).startOf('week').toISODate() ?? ''
    const chance = seeded(9)
    const visit = await bookOffered(this.call, { clientId, day: from, minutes: 60, chance })
    if (!visit) throw new Error('no place')
    await prepare(this.call, visit)
    await must(this.call, 'POST', `/api/visits/${visit.id}/start`)
    const to = DateTime.now().setZone(zoneOfHouse()).toISODate() ?? ''
    this.moved.push({ id: visit.id, from, to })
  }

  private async recalledUnderWay(day: string): Promise<void> {
    const name = 'Lay There'
    const clientId = await entered(this.call, name)
    const chance = seeded(11)
    const ahead = DateTime.fromISO(day).plus({ weeks: 6 }).startOf('week').toISODate() ?? ''
    const visit = await bookOffered(this.call, { clientId, day: ahead, minutes: 60, chance })
    if (!visit) throw new Error('no place')
    const steps = await prepare(this.call, visit)
    const path = `/api/visits/${visit.id}`
    await must(this.call, 'POST', `${path}/start`)
    const step = steps.find(({ productId }) => productId !== undefined)
    const lot = randomUUID()
    await must(this.call, 'POST', '/api/lots', {
      ...{ id: lot, productId: step?.productId, code: 'UNDER-WAY', expires: '2031-01-01' },
      millilitres: 50,
    })
    const began = Date.now() - HOUR_MS
    const body = { key: step?.key ?? '', productId: step?.productId ?? '', lotId: lot }
    const events = [
      tap({ kind: 'started' }, began),
      tap({ kind: 'amountTaken', ...body, millilitres: 2 }, began + MINUTE_MS),
    ]
    await must(this.call, 'POST', `${path}/events`, { events })
    const { clients } = (await must(this.call, 'POST', '/api/recalls', {
      ...{ id: randomUUID(), code: 'under-way', reason: 'maker' },
    })) as { clients: { name: string }[] }
    const { recalled } = (await must(this.call, 'GET', `${path}/events`)) as { recalled: string[] }
    this.heard.push({ lots: recalled, lot, told: clients.map((own) => own.name), client: name })
    const rest = steps.map(({ key }, i) =>
      tap({ kind: 'stepDone', key, cue: true }, began + (i + 2) * MINUTE_MS),
    )
    rest.push(tap({ kind: 'finished' }, began + (steps.length + 2) * MINUTE_MS))
    await must(this.call, 'POST', `${path}/events`, { events: rest })
  }

  /** The file of somebody's visit goes into the file of the same person at another house. */
  private async fromElsewhere(day: string, treated: readonly Booked[]): Promise<void> {
    for (const { id } of treated.slice(0, 30)) {
      const document = await must(this.call, 'GET', `/api/visits/${id}/export`)
      const doc = document as VisitDocument
      if (!doc.parts.find(({ name }) => name === 'work')?.content) continue
      const clientId = await entered(this.call, 'From Elsewhere')
      const path = `/api/people/${clientId}/imports`
      const body = { text: JSON.stringify(doc), confirmed: true }
      await must(this.call, 'POST', path, { id: randomUUID(), ...body })
      // Twice is once.
      await must(this.call, 'POST', path, { id: randomUUID(), ...body })
      const ahead = DateTime.fromISO(day).plus({ weeks: 7 }).startOf('week').toISODate() ?? ''
      const chance = seeded(13)
      const visit = await bookOffered(this.call, { clientId, day: ahead, minutes: 60, chance })
      const { past, practice } = await bundleOf(this.call, visit?.id ?? '')
      const at = DateTime.fromISO(doc.visit.startsAt).setZone(practice.timeZone).toISODate()
      this.told.push({ day: at ?? undefined, past: past.map((own) => own.day) })
      return
    }
  }
}

/** What must have come out of them. */
export function saysOfOddDays(odd: () => OddDays, small: () => SmallHouse): void {
  it('counted what was treated before it was written up', () => {
    expect(odd().counted.length).toBeGreaterThan(5)
  })
  it('moved a visit to the day on which it was treated', async () => {
    expect(odd().moved).toHaveLength(1)
    for (const { id, from, to } of odd().moved) {
      const on = async (day: string) =>
        ((await must(small().people.owner.call, 'GET', `/api/day?date=${day}`)) as DayPage).visits
          .map((visit) => visit.id)
          .includes(id)
      expect(await on(to)).toBe(true)
      expect(await on(from)).toBe(false)
    }
  })
  it('told whoever lay there of the recall, and found them by it', () => {
    for (const { lots, lot, told, client } of odd().heard) {
      expect(lots).toContain(lot)
      expect(told).toEqual([client])
    }
    expect(odd().heard).toHaveLength(1)
  })
  it('counted what came from another house once', () => {
    expect(odd().told).toHaveLength(1)
    for (const { day, past } of odd().told) expect(past).toEqual([day])
  })
}

/** What the record of a visit says was done, by its own words. */
export async function doneOf(call: SmallHouse['people']['owner']['call'], id: string) {
  const { treatment } = readParts((await bundleOf(call, id)).record)
  return (treatment?.lines ?? []).filter(({ actualMinutes }) => actualMinutes !== null)
}
