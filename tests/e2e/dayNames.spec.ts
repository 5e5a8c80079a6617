import { randomInt, randomUUID } from 'node:crypto'
import { expect, test } from '../support/browserTest'
import type { HousePage } from '#contracts/replies/house'
import { asOwner, open } from '../support/house'
import { byTheWall, someone, STAFF } from '../support/visit'
import { letIn } from '../support/walk'

const NAMES = [
  'Alexandra Montgomery-Whitfield',
  'Sigrun Aðalsteinsdóttir',
  'Jo Li',
  'Wilhelmina Featherstonehaugh',
] as const
const MORE_ROOMS = ['Garden room', 'Attic', 'Blue room', 'Quiet room by the stairs']
/** Far enough ahead that nothing else is booked, and another one at a second try. */
const [YEAR, DATE] = [2031 + randomInt(20), 1 + randomInt(28)]
const DAY = `${YEAR}-03-${String(DATE).padStart(2, '0')}`

test('six rooms beside each other, half an hour each: every name is whole, every menu in reach', async ({
  page,
}) => {
  const call = await asOwner()
  const { rooms } = (await call('/api/house')).body as HousePage
  const open6 = rooms.filter(({ closed }) => !closed).map(({ id }) => id)
  const added = MORE_ROOMS.slice(0, 6 - open6.length).map((name) => ({ id: randomUUID(), name }))
  for (const room of added)
    await call('/api/rooms', { method: 'PUT', body: { ...room, closed: false } })
  const all = [...open6, ...added.map(({ id }) => id)]
  for (const [i, name] of NAMES.entries()) {
    const clientId = await someone(call, name, `19${70 + i}-05-05`)
    const startsAt = byTheWall(DAY, `${10 + i}:00`)
    const visit = { id: randomUUID(), clientId, staffId: STAFF.owner, startsAt, minutes: 30 }
    const body = { ...visit, roomId: all[i % all.length] }
    const reply = await call('/api/visits', { method: 'POST', body })
    expect(reply.status, reply.text).toBe(200)
  }
  await letIn(page, 'owner')
  await page.setViewportSize({ width: 1024, height: 768 })
  await open(page, '/')
  await page.getByRole('textbox', { name: 'Go to' }).fill(`${DATE}.3.${YEAR}`)
  await page.getByRole('textbox', { name: 'Go to' }).press('Enter')
  for (const name of NAMES) {
    const card = page.getByRole('article').filter({ hasText: name })
    await expect(card).toHaveCount(1)
    const inside = await card.evaluate((article) => {
      const edge = article.getBoundingClientRect()
      const within = (part: Element | null) => {
        const own = part?.getBoundingClientRect()
        if (!own) return false
        return own.bottom <= edge.bottom + 1 && own.right <= edge.right + 1 && own.top >= edge.top
      }
      return [within(article.querySelector('bdi')), within(article.querySelector('button'))]
    })
    expect(inside, name).toEqual([true, true])
  }
  for (const room of added)
    await call('/api/rooms', { method: 'PUT', body: { ...room, closed: true } })
})
