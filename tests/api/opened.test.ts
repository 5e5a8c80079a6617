import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { OpenedPage } from '#contracts/replies/opened'
import type { OrderPage } from '#contracts/replies/shelf'
import type { ToolsPage } from '#contracts/replies/tools'
import { GROUPS } from '#core/face/regions'
import { propose } from '#core/planning/answer/propose'
import { bottleInHand } from '#core/planning/today/bottles'
import { productsOf } from '#core/record/bottles'
import { toPlanInput } from '#core/visit/planInput'
import { readParts } from '#core/visit/record'
import { signedIn, testUrl, type Caller } from '../support/http'
import { done, tell, withSteps } from '../support/ownPlan'
import { asked, bundleOf, someone, tap, throughTheRoom, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
let trainee: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  trainee = await signedIn(base, 'trainee')
  // Enough of them for every visit of this file, whatever others have taken.
  const { shelf } = await bundleOf(
    owner,
    await asked(owner, 'owner', await someone(owner, 'Vials')),
  )
  const ampoule = shelf.find(({ product }) => product.kind === 'ampoule')?.product
  await must('/api/lots', 'POST', {
    ...{ id: randomUUID(), productId: ampoule?.id ?? '', code: `V-${randomUUID().slice(0, 8)}` },
    ...{ expires: '2031-01-01', millilitres: 60 },
  })
})
const must = async (path: string, method: string, body: object, call = owner) => {
  const reply = await call(path, { method, body })
  expect(reply.status, `${path}: ${reply.text}`).toBe(200)
}
const openedPage = async () => (await owner('/api/opened')).body as OpenedPage
const open = (what: string, more: object = {}) =>
  owner('/api/opened', { method: 'POST', body: { id: randomUUID(), what, ...more } })

/** A visit that is treated now and lays half an ampoule on the face. */
async function withAmpoule(
  client: string,
): Promise<{ id: string; key: string; productId: string }> {
  const id = await asked(owner, 'owner', client)
  const input = toPlanInput(await bundleOf(owner, id))
  const steps = propose({ ...input, wanted: ['ampoule'] }).steps.map((step) =>
    step.technique === 'ampoule' ? { ...step, regions: [...GROUPS.face] } : step,
  )
  await must(`/api/visits/${id}/plan`, 'PUT', { steps })
  await must(`/api/visits/${id}/start`, 'POST', {})
  const own = steps.find((step) => step.technique === 'ampoule')
  return { id, key: own?.key ?? '', productId: own?.productId ?? '' }
}
async function finished(client: string) {
  const own = await withAmpoule(client)
  await throughTheRoom(owner, own.id, (step) => step.minutes)
  return own
}
const lotsOf = async (id: string, productId: string) =>
  (await bundleOf(owner, id)).shelf.find(({ product }) => product.id === productId)?.lots ?? []
const onShelf = async (id: string, productId: string) =>
  (await lotsOf(id, productId))
    .filter(({ half }) => !half)
    .reduce((sum, lot) => sum + lot.remainingMillilitres, 0)
const lineOf = async (id: string, productId: string) =>
  readParts((await bundleOf(owner, id)).record)
    .treatment?.lines.flatMap(productsOf)
    .find((product) => product.id === productId)

describe('the other half of an ampoule', () => {
  it('kept here, it is the next bottle of the same client, and of nobody else', async () => {
    const client = await someone(owner, 'Half Here')
    const { id, productId } = await finished(client)
    expect((await open('half', { productId })).status, 'whose?').toBe(422)
    expect((await open('half', { visitId: id, productId: 'none' })).status).toBe(422)
    const body = { id: randomUUID(), what: 'half', visitId: id, productId }
    expect((await owner('/api/opened', { method: 'POST', body })).status).toBe(200)
    expect((await owner('/api/opened', { method: 'POST', body })).status, 'twice is once').toBe(200)
    expect((await open('half', { visitId: id, productId })).status, 'kept already').toBe(422)
    const mine = (await openedPage()).open.filter(({ client: whose }) => whose?.id === client)
    expect(mine.map(({ what }) => what)).toEqual(['half'])
    // The card says nothing of a half at home any more.
    const { aftercare } = readParts((await bundleOf(owner, id)).record)
    expect(aftercare.map(({ rule }) => rule)).not.toContain('half-ampoule')
    await must(`/api/visits/${id}/seal`, 'POST', { text: '' })
    expect((await lineOf(id, productId))?.half).toBeUndefined()

    const next = await withAmpoule(client)
    const bundle = await bundleOf(owner, next.id)
    const item = bundle.shelf.find(({ product }) => product.id === productId)
    expect(item && bottleInHand(item.product, item.lots, bundle.today, 1)?.half).toBeDefined()
    const before = await onShelf(next.id, productId)
    await throughTheRoom(owner, next.id, (step) => step.minutes)
    await must(`/api/visits/${next.id}/seal`, 'POST', { text: '' })
    expect((await lineOf(next.id, productId))?.half).toBe(true)
    // Two halves are one piece: nothing more has gone off the shelf, and the half is used up.
    expect(await onShelf(next.id, productId)).toBe(before)
    const ended = (await openedPage()).ended.find(({ client: whose }) => whose?.id === client)
    expect(ended?.ended?.how).toBe('used')

    const other = await withAmpoule(await someone(owner, 'Somebody Else'))
    expect((await lotsOf(other.id, productId)).some(({ half }) => half)).toBe(false)
  })
  it('measured in the room it is tapped as what it is, and leaves the shelf alone', async () => {
    const client = await someone(owner, 'Half Measured')
    const first = await finished(client)
    await must('/api/opened', 'POST', {
      ...{ id: randomUUID(), what: 'half', visitId: first.id, productId: first.productId },
    })
    const { id, key, productId } = await withAmpoule(client)
    const before = await onShelf(id, productId)
    const [code] = (await lotsOf(id, productId)).filter(({ half }) => half).map((lot) => lot.code)
    const amount = { kind: 'amountTaken' as const, key, productId, lotId: code ?? '' }
    await must(`/api/visits/${id}/events`, 'POST', {
      events: [tap({ ...amount, millilitres: 1, half: true }, Date.now() - 1000)],
    })
    expect(await onShelf(id, productId)).toBe(before)
  })
  it('gone home, or thrown out, it is nobody’s bottle', async () => {
    const client = await someone(owner, 'Half Gone')
    const { id, productId } = await finished(client)
    const half = randomUUID()
    await must('/api/opened', 'POST', { id: half, what: 'half', visitId: id, productId })
    await must('/api/opened', 'PUT', { id: half, how: 'home' })
    await must('/api/opened', 'PUT', { id: half, how: 'thrown' })
    const own = (await openedPage()).ended.find((thing) => thing.id === half)
    expect(own?.ended?.how, 'it ends once').toBe('home')
    expect((await bundleOf(owner, id)).openHalves).toEqual([])
    const missing = await owner('/api/opened', {
      method: 'PUT',
      body: { id: randomUUID(), how: 'used' },
    })
    expect(missing.status).toBe(404)
  })
})

describe('what else is open', () => {
  it('has its own time; by its label only where that counts', async () => {
    const before = Date.now()
    expect((await open('cloths')).status).toBe(200)
    expect((await open('cloths', { hours: 9 })).status, 'cloths have no label').toBe(422)
    expect((await open('pack', { name: 'loops, set 2', hours: 48 })).status).toBe(200)
    expect((await open('pack', { hours: -1 })).status).toBe(400)
    const { open: list } = await openedPage()
    const hours = (until: number) => Math.round((until - before) / 3_600_000)
    expect(list.filter(({ what }) => what === 'cloths').map(({ until }) => hours(until))).toContain(
      4,
    )
    expect(list.find(({ name }) => name === 'loops, set 2')?.until ?? 0).toBeGreaterThan(before)
    const ends = list.map(({ until }) => until)
    expect(ends).toEqual([...ends].sort((one, other) => one - other))
  })
  it("a mix is one person's: a shared pot is not kept, and what does not keep is thrown out", async () => {
    const shared = await open('mix', { productId: 'x' })
    expect(shared.status).toBe(422)
    expect(shared.text).toContain('shared pot')
    const bowl = async (label: string, part: string) => {
      const id = randomUUID()
      await must('/api/products', 'POST', {
        ...{ id, name: `Bowl ${id.slice(0, 6)}`, line: '', kind: 'powderMask', label },
        ...{ acid: null, pH: null, density: 0.6, suits: ['all'], calming: false },
        dispenser: { kind: 'scoop', millilitres: 5 },
        ...{ packMillilitres: 100, priceCents: 0, openMonths: 6 },
        recipe: {
          ...{ parts: 1, by: 'volume', workingMinutes: 10 },
          others: [{ name: part, parts: 1, density: 1, measure: 'teaspoon', label: '' }],
        },
      })
      return id
    }
    const { id: visitId } = await withAmpoule(await someone(owner, 'Mix Kept'))
    const yoghurt = await bowl('Avena Sativa Kernel Flour', 'yoghurt')
    const water = await bowl('Kaolin', 'rose water')
    expect((await open('mix', { visitId, productId: water })).text).toContain('used at once')
    expect((await open('mix', { visitId, productId: yoghurt })).status).toBe(200)
    const kept = (await openedPage()).open.find(({ what }) => what === 'mix')
    expect(kept?.client?.name).toBe('Mix Kept')
    const forbidden = await trainee('/api/opened', {
      method: 'POST',
      body: { id: randomUUID(), what: 'mix', visitId, productId: yoghurt },
    })
    expect(forbidden.status, 'a visit that is not in their care').toBe(403)
  })
  it('a bath over its time disinfects nothing; a new one does', async () => {
    const put = (step: string) =>
      owner('/api/cleanings', {
        method: 'POST',
        body: { id: randomUUID(), tool: 'stones', step, pieces: 1 },
      })
    for (const { id, what } of (await openedPage()).open)
      if (what === 'bath') await must('/api/opened', 'PUT', { id, how: 'thrown' })
    const bath = randomUUID()
    await must('/api/opened', 'POST', { id: bath, what: 'bath' })
    await must('/api/opened', 'PUT', { id: bath, how: 'thrown' })
    const over = await put('soaking')
    expect(over.status).toBe(422)
    expect(over.text).toContain('over its time')
    await must('/api/opened', 'POST', { id: randomUUID(), what: 'bath' })
    // Now it is only that nothing of it was washed.
    expect((await put('soaking')).text).not.toContain('over its time')
  })
})

describe('a worn part', () => {
  it('is counted by visits, and holds its tool until it is changed', async () => {
    const tool = async () =>
      ((await owner('/api/tools')).body as ToolsPage).tools.find((own) => own.tool === 'diamondTip')
    const set = (changeAfter: number | null) =>
      must('/api/tools', 'PUT', {
        tool: 'diamondTip',
        pieces: 100,
        contactMinutes: 10,
        changeAfter,
      })
    await set(null)
    expect((await tool())?.wear?.after).toBe(200)
    const uses = (await tool())?.wear?.uses ?? 0
    const id = await treating(owner, 'owner', await someone(owner, 'Worn Part'))
    const [tip] = await withSteps(id, [['tip', ['nose']]])
    if (!tip) throw new Error('no step')
    await tell(id, { kind: 'started' }, 2)
    await tell(id, done(tip), 1)
    expect((await tool())?.wear?.uses).toBe(uses + 1)
    await set(uses + 1)
    const next = await withAmpoule(await someone(owner, 'After It'))
    expect((await bundleOf(owner, next.id)).held).toContain('diamondTip')
    await must('/api/cleanings', 'POST', {
      ...{ id: randomUUID(), tool: 'diamondTip', step: 'changed', pieces: 1 },
    })
    expect((await tool())?.wear?.uses).toBe(0)
    expect((await bundleOf(owner, next.id)).held).not.toContain('diamondTip')
    await set(null)
  })
})

describe('the label of a mask', () => {
  const mask = (more: object) => ({
    ...{ id: randomUUID(), name: 'Label Test', line: '', kind: 'settingClay', label: 'Kaolin' },
    ...{ acid: null, pH: null, density: 1.2, suits: ['all'], calming: false },
    dispenser: { kind: 'spatula', millilitres: 2.5 },
    ...{ packMillilitres: 100, priceCents: 0, openMonths: 12 },
    ...more,
  })
  const add = (more: object) => owner('/api/products', { method: 'POST', body: mask(more) })
  it('says minutes and a way off within what its kind bears, and is refused where it does not', async () => {
    for (const [more, field] of [
      [{ rests: { from: 3, to: 8 } }, 'rests'],
      [{ rests: { from: 8, to: 20 } }, 'rests'],
      [{ rests: { from: 9, to: 8 } }, 'to'],
      [{ wayOff: 'massageIn' }, 'wayOff'],
      [{ kind: 'serum', rests: { from: 5, to: 8 } }, 'rests'],
    ] as const) {
      const reply = await add(more)
      expect(reply.status, JSON.stringify(more)).toBe(400)
      expect(reply.text).toContain(field)
    }
    const own = mask({ rests: { from: 8, to: 10 } })
    await must('/api/products', 'POST', own)
    const { shelf } = await bundleOf(
      owner,
      await asked(owner, 'owner', await someone(owner, 'Label')),
    )
    expect(shelf.find(({ product }) => product.id === own.id)?.product.rests).toEqual({
      from: 8,
      to: 10,
    })
  })
})

describe('what to order', () => {
  it('knows every product, what is left of it and how many packs it takes', async () => {
    const id = randomUUID()
    await must('/api/products', 'POST', {
      ...{ id, name: `Order ${id.slice(0, 6)}`, line: '', kind: 'lipScrub', label: 'Sucrose' },
      ...{ acid: null, pH: null, density: 1, suits: ['all'], calming: false },
      dispenser: { kind: 'spatula', millilitres: 1 },
      ...{ packMillilitres: 10, priceCents: 350, openMonths: 12, reorderMillilitres: 25 },
    })
    const line = async () => {
      const page = (await owner('/api/shelf/order')).body as OrderPage
      return page.lines.find(({ productId }) => productId === id)
    }
    expect(await line()).toMatchObject({ leftMillilitres: 0, packs: 3, cents: 1050, low: true })
    await must('/api/lots', 'POST', {
      ...{ id: randomUUID(), productId: id, code: 'O1', expires: '2031-01-01', millilitres: 10 },
    })
    expect(await line()).toMatchObject({ leftMillilitres: 10, packs: 2, usesLeft: null })
    // Nobody takes of it, and it is good for years: nothing is lost within one.
    expect((await line())?.unused).toEqual([])
  })
})
