import { randomUUID } from 'node:crypto'
import { DateTime } from 'luxon'
import { expect, it } from 'vitest'
import type { DayPage } from '#contracts/replies/day'
import type { ShelfPage } from '#contracts/replies/shelf'
import { must, type Hand, type SmallHouse } from './smallHouse'

interface Lived {
  owner: Hand
  days: readonly string[]
  small: SmallHouse
  dayPage: (day: string) => Promise<DayPage>
  shelf: () => Promise<ShelfPage>
  zone: string
  /** One that is written up. */
  visit: { id: string } | undefined
}
const plus = (day: string, more: number) => DateTime.fromISO(day).plus({ days: more }).toISODate()

/** What Day says ahead of time: licences, bottles, services and patches, each from its day on. */
export function saysItsDues(lived: () => Lived): void {
  it('says two licences from 60 days before their end, pressing from 7 on', async () => {
    const { small, owner, days, dayPage } = lived()
    const { stays } = small.people
    const ends = { peel: plus(days[0] ?? '', 65) ?? '', machine: plus(days[0] ?? '', 12) ?? '' }
    await must(owner.call, 'PUT', '/api/scope', {
      ...{ staffId: stays.id, licences: ['basic', 'peel', 'machine'], until: ends },
    })
    for (let more = 0; more <= 80; more += 3) {
      const day = plus(days[0] ?? '', more) ?? ''
      const said = (await dayPage(day)).dues.filter(({ title }) => title.startsWith('The licence'))
      const wanted = Object.values(ends)
        .map((last) => DateTime.fromISO(last).diff(DateTime.fromISO(day), 'days').days)
        .filter((left) => left <= 60)
        .map((left) => (left <= 7 ? 'stop' : 'watch'))
      expect(said.map(({ kind }) => kind).sort(), day).toEqual(wanted.sort())
    }
  })

  it('says bottles in their last 30 days, and a service 14 days before', async () => {
    const { owner, days, dayPage, shelf } = lived()
    const post = (path: string, body: object) => must(owner.call, 'POST', path, body)
    const id = randomUUID()
    const last = plus(days[0] ?? '', 40) ?? ''
    const { product } = (await shelf()).items[0] ?? {}
    await post('/api/lots', {
      ...{ id, productId: product?.id, code: 'SHORT', expires: last, millilitres: 5 },
    })
    await must(owner.call, 'PUT', '/api/devices', {
      ...{ id: randomUUID(), kind: 'tipMachine', name: 'Tip machine', serial: '', ready: true },
      serviceDue: last,
    })
    for (let more = 0; more <= 44; more += 2) {
      const day = plus(days[0] ?? '', more) ?? ''
      const left = 40 - more
      const titles = (await dayPage(day)).dues.map(({ title }) => title)
      expect(titles.includes('Service of the Tip machine'), day).toBe(left <= 14)
      expect(titles.includes(product?.name ?? ''), day).toBe(left < 30)
    }
  })
}

/** A patch stands on Day until it was read. */
export function saysItsPatches(lived: () => Lived): void {
  it('says a patch that was placed from the day on which it can be read, until it was read', async () => {
    const { owner, visit, zone, dayPage, shelf } = lived()
    const post = (path: string, body: object) => must(owner.call, 'POST', path, body)
    const { product } = (await shelf()).items.find(({ product: own }) => own.kind === 'serum') ?? {}
    const testId = randomUUID()
    await post(`/api/visits/${visit?.id}/patch-tests`, {
      ...{ id: testId, productId: product?.id, place: 'innerElbow' },
    })
    const today = DateTime.now().setZone(zone).toISODate() ?? ''
    const said = async (day: string | null) =>
      (await dayPage(day ?? '')).dues.filter(({ kind }) => kind === 'patch').length
    expect(await said(today)).toBe(0)
    expect(await said(plus(today, 1))).toBe(1)
    expect(await said(plus(today, 2))).toBe(1)
    await post(`/api/visits/${visit?.id}/patch-reads`, {
      ...{ id: randomUUID(), testId, result: 'reaction' },
    })
    expect(await said(plus(today, 1))).toBe(0)
  })
}
