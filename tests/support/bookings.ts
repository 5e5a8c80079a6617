import { randomUUID } from 'node:crypto'
import type { DayPage } from '#contracts/replies/day'
import { demoId } from '#db/demo/ids'
import type { Caller } from './http'
import { ROOM, STAFF } from './visit'

/** Years ahead, a day of its own for each test; a Tuesday in the house's own time. */
export function tuesdaysOf(year: number): () => string {
  let weeks = 0
  const first = new Date(Date.UTC(year, 0, 1)).getUTCDay()
  return () => new Date(Date.UTC(year, 0, 3 - first + 7 * ++weeks)).toISOString().slice(0, 10)
}

/** A visit of the owner's as it is sent; `clock` by UTC. */
export const wanted = (day: string, clock: string, more: object = {}) => ({
  id: randomUUID(),
  clientId: demoId('other-30'),
  staffId: STAFF.owner,
  roomId: ROOM,
  startsAt: `${day}T${clock}:00Z`,
  minutes: 60,
  ...more,
})
export const add = (call: Caller, body: object) => call('/api/visits', { method: 'POST', body })
export const dayOf = async (call: Caller, day: string) =>
  (await call(`/api/day?date=${day}`)).body as DayPage
