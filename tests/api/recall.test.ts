import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { LotHistory } from '#contracts/replies/shelf'
import { readParts } from '#core/visit/record'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, someone, tap, throughTheRoom, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const post = async (path: string, body: object) => {
  const reply = await owner(path, { method: 'POST', body })
  expect(reply.status, `${path}: ${reply.text}`).toBe(200)
  return reply.body
}
interface Bottle {
  lotId: string
  code: string
  productId: string
}
/** A visit under way with the first bottle of its plan, and that bottle under a code of its own. */
async function withBottle(name: string): Promise<Bottle & { id: string; key: string }> {
  const id = await treating(owner, 'owner', await someone(owner, name))
  const bundle = await bundleOf(owner, id)
  const step = bundle.plans.find(({ version }) => version === 1)?.steps.find((own) => own.productId)
  const productId = step?.productId ?? ''
  const code = `R-${randomUUID().slice(0, 8)}`
  const lotId = randomUUID()
  // The bottle that is taken is the open one; others of this product are away meanwhile.
  await post('/api/lots', { id: lotId, productId, code, expires: '2031-01-01', millilitres: 80 })
  return { id, key: step?.key ?? '', lotId, code, productId }
}
const measured = ({ id, key, lotId, productId }: Awaited<ReturnType<typeof withBottle>>) =>
  post(`/api/visits/${id}/events`, {
    events: [
      tap({ kind: 'started' }, Date.now() - 120_000),
      tap({ kind: 'amountTaken', key, productId, lotId, millilitres: 2 }, Date.now() - 60_000),
    ],
  })
const recall = async (code: string) =>
  (await post('/api/recalls', { id: randomUUID(), code, reason: 'for this test' })) as {
    clients: { name: string }[]
  }
const names = (history: LotHistory | { clients: { name: string }[] }) =>
  history.clients.map(({ name }) => name)
const historyOf = async (lotId: string) =>
  (await owner(`/api/movements?lot=${lotId}`)).body as LotHistory

describe('a recall finds whoever was at the bottle', () => {
  it('under way, from the tap on: and the shelf has lost it by then', async () => {
    const own = await withBottle('Under Way')
    await measured(own)
    expect(names(await historyOf(own.lotId))).toEqual(['Under Way'])
    const { shelf } = await bundleOf(owner, own.id)
    const lots = shelf.flatMap((item) => item.lots)
    expect(lots.find(({ id }) => id === own.lotId)?.remainingMillilitres).toBe(78)
    expect(names(await recall(own.code))).toEqual(['Under Way'])
  })
  it('sealed, and sealed as it stood with nothing measured', async () => {
    const own = await withBottle('Sealed As It Stood')
    // Every other bottle of it is away: the record names this one by itself.
    const { shelf } = await bundleOf(owner, own.id)
    const others = shelf
      .filter(({ product }) => product.id === own.productId)
      .flatMap(({ lots }) => lots)
      .filter(({ id }) => id !== own.lotId)
    for (const lot of others)
      await post('/api/movements', {
        id: randomUUID(),
        lotId: lot.id,
        kind: 'writtenOff',
        reason: 'x',
      })
    const steps = (await bundleOf(owner, own.id)).plans.at(-1)?.steps ?? []
    const now = Date.now()
    await post(`/api/visits/${own.id}/events`, {
      events: [
        tap({ kind: 'started' }, now),
        ...steps.map(({ key }, i) => tap({ kind: 'stepDone', key, cue: true }, now + i)),
        tap({ kind: 'finished' }, now + 1000),
      ],
    })
    // Finished, not sealed: its record names the bottle already.
    expect(names(await historyOf(own.lotId))).toContain('Sealed As It Stood')
    await post(`/api/visits/${own.id}/seal`, { text: '', asItStands: true })
    expect(names(await recall(own.code))).toContain('Sealed As It Stood')
    for (const lot of others)
      await post('/api/movements', {
        ...{ id: randomUUID(), lotId: lot.id, kind: 'counted' },
        ...{ reason: 'x', millilitres: lot.remainingMillilitres },
      })
  })
  it('reaches a visit that runs, whose record keeps the code of what was used before', async () => {
    const own = await withBottle('Called Meanwhile')
    await measured(own)
    await recall(own.code)
    const heard = (await owner(`/api/visits/${own.id}/events`)).body as { recalled: string[] }
    expect(heard.recalled).toContain(own.lotId)
    await throughTheRoom(owner, own.id)
    await post(`/api/visits/${own.id}/seal`, { text: '', asItStands: true })
    const { treatment } = readParts((await bundleOf(owner, own.id)).record)
    const line = treatment?.lines.find(({ key }) => key === own.key)
    expect(line?.product?.lot).toBe(own.lotId)
    expect(names(await historyOf(own.lotId))).toContain('Called Meanwhile')
  })
})
