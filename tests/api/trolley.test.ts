import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { LotHistory } from '#contracts/replies/shelf'
import type { Earned, MoneyPage, VisitMoney } from '#contracts/replies/money'
import type { ToolsPage } from '#contracts/replies/tools'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { ToolId } from '#core/catalogue/techniques/tools'
import { toPlanInput } from '#core/visit/planInput'
import { propose } from '#core/planning/answer/propose'
import { allowance } from '#core/planning/today/allowed'
import { readParts } from '#core/visit/record'
import { signedIn, testUrl, type Caller } from '../support/http'
import { asked, bundleOf, prepared, someone, tap, throughTheRoom, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
let trainee: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  trainee = await signedIn(base, 'trainee')
})
const must = async (path: string, method: string, body: object, call = owner) => {
  const reply = await call(path, { method, body })
  expect(reply.status, `${path}: ${reply.text}`).toBe(200)
}
const toolOf = async (tool: ToolId) => {
  const page = (await owner('/api/tools')).body as ToolsPage
  return page.tools.find((one) => one.tool === tool)
}
const have = (tool: ToolId, pieces: number, contactMinutes = 10) =>
  must('/api/tools', 'PUT', { tool, pieces, contactMinutes })
const clean = (tool: ToolId, step: string, pieces = 1, at?: Date) =>
  owner('/api/cleanings', {
    method: 'POST',
    body: { id: randomUUID(), tool, step, pieces, ...(at ? { at: at.toISOString() } : {}) },
  })

/** A visit under way in whose plan this technique stands. */
async function withStep(
  technique: TechniqueId,
  name: string,
): Promise<{ id: string; key: string }> {
  const id = await asked(owner, 'owner', await someone(owner, name))
  const input = toPlanInput(await bundleOf(owner, id))
  const { steps } = propose({ ...input, wanted: [technique] })
  await must(`/api/visits/${id}/plan`, 'PUT', { steps })
  await must(`/api/visits/${id}/start`, 'POST', {})
  const key = steps.find((step) => step.technique === technique)?.key ?? ''
  expect(key, technique).not.toBe('')
  return { id, key }
}
/** What stands in the way of a technique for a visit that is treated today. */
async function never(technique: TechniqueId, name: string): Promise<string[]> {
  const id = await treating(owner, 'owner', await someone(owner, name))
  return allowance(technique, toPlanInput(await bundleOf(owner, id))).never.map(({ rule }) => rule)
}

describe('a tool between two clients', () => {
  it('used, it is held out of the next plan until washed, wet for its time and dried', async () => {
    await have('globes', 1)
    const start = await toolOf('globes')
    if (start?.clean !== 1) throw new Error('globes are in use by another test')
    const { id, key } = await withStep('cold', 'First of Two')
    await must(`/api/visits/${id}/events`, 'POST', {
      events: [
        tap({ kind: 'started' }, Date.now() - 120_000),
        tap({ kind: 'stepDone', key, cue: true }, Date.now() - 60_000),
      ],
    })
    expect(await toolOf('globes')).toMatchObject({ clean: 0, used: 1 })
    // What is in hand is in hand: the visit that used it goes on with it.
    expect((await bundleOf(owner, id)).held).not.toContain('globes')
    expect(await never('cold', 'Second of Two')).toContain('not-clean')

    expect((await clean('globes', 'ready')).status, 'never washed').toBe(422)
    expect((await clean('globes', 'soaking')).status, 'not washed yet').toBe(422)
    const into = new Date()
    expect((await clean('globes', 'washed', 1, into)).status).toBe(200)
    expect((await clean('globes', 'washed')).status, 'there is only one').toBe(422)
    expect((await clean('globes', 'soaking', 1, into)).status).toBe(200)
    expect((await clean('globes', 'ready')).status, 'before its time').toBe(422)
    expect(await never('cold', 'Third of Two')).toContain('not-clean')
    await have('globes', 2)
    expect(await never('cold', 'With Another')).not.toContain('not-clean')
    await have('globes', 100)
  })
  it('the same tap twice is one cleaning, and nothing is cleaned ahead of now', async () => {
    await have('goggles', 100)
    const id = randomUUID()
    const body = { id, tool: 'goggles', step: 'washed', pieces: 1 }
    const before = (await toolOf('goggles'))?.washed ?? 0
    const first = await owner('/api/cleanings', { method: 'POST', body })
    const again = await owner('/api/cleanings', { method: 'POST', body })
    expect(again.status).toBe(first.status)
    expect((await toolOf('goggles'))?.washed ?? 0).toBeLessThanOrEqual(before + 1)
    const ahead = await clean('goggles', 'washed', 1, new Date(Date.now() + 3_600_000))
    expect(ahead.status).toBe(422)
  })
})

describe('the tray', () => {
  it('its ticks are kept in the house, each once, and taken back', async () => {
    const id = await prepared(owner, 'owner', await someone(owner, 'Tray Ticks'))
    const lay = (key: string, laid: boolean) => must(`/api/visits/${id}/laid`, 'PUT', { key, laid })
    await lay('product-a', true)
    await lay('product-a', true)
    await lay('linen-b', true)
    expect((await bundleOf(owner, id)).laid.sort()).toEqual(['linen-b', 'product-a'])
    await lay('product-a', false)
    expect((await bundleOf(owner, id)).laid).toEqual(['linen-b'])
    const other = await trainee(`/api/visits/${id}/laid`, {
      method: 'PUT',
      body: { key: 'x', laid: true },
    })
    expect(other.status).toBe(403)
  })
})

describe('what a step takes beside its own product', () => {
  it('stands on the record, comes off its bottle, and a recall finds it', async () => {
    const { id } = await withStep('oilCleanse', 'With Emulsifier')
    const code = `E-${randomUUID().slice(0, 8)}`
    const bundle = await bundleOf(owner, id)
    const item = bundle.shelf.find(({ product }) => product.kind === 'emulsifier')
    if (!item?.lots.length) throw new Error('no emulsifier')
    const ids = item.lots.map(({ id: lotId }) => lotId)
    // Whichever of its bottles is at hand.
    for (const [place, { id: lotId, expires }] of item.lots.entries())
      await must('/api/lots', 'PUT', { lotId, code: `${code}-${place}`, expires })
    await throughTheRoom(owner, id, (step) => step.minutes)
    await must(`/api/visits/${id}/seal`, 'POST', { text: '' })
    const after = await bundleOf(owner, id)
    const line = readParts(after.record).treatment?.lines.find(
      ({ technique }) => technique === 'oilCleanse',
    )
    const [along] = line?.along ?? []
    expect(along?.id).toBe(item.product.id)
    const place = Number(along?.lot?.replace(`${code}-`, ''))
    const leftIn = (shelf: typeof after.shelf) =>
      shelf.flatMap(({ lots }) => lots).find((own) => own.id === ids[place])
        ?.remainingMillilitres ?? Number.NaN
    expect(leftIn(bundle.shelf) - leftIn(after.shelf)).toBeCloseTo(along?.plannedMl ?? -1, 2)
    const had = (await owner(`/api/movements?lot=${ids[place]}`)).body as LotHistory
    expect(had.clients.map(({ name }) => name)).toContain('With Emulsifier')
  })
})

describe('what a visit costs and earns', () => {
  it('adds up to the cent, stands as it was sealed, and is in the month', async () => {
    const id = await treating(owner, 'owner', await someone(owner, 'Costs Something'))
    const before = (await owner(`/api/visits/${id}/money`)).body as VisitMoney
    expect(before.done).toBe(false)
    expect(before.lines.reduce((sum, { cents }) => sum + cents, 0)).toBe(before.cents)
    await throughTheRoom(owner, id, (step) => step.minutes)
    await must(`/api/visits/${id}/seal`, 'POST', { text: '' })
    const price = {
      id: randomUUID(),
      version: 0,
      name: 'For this test',
      cents: 9950,
      retired: false,
    }
    await must('/api/money/prices', 'PUT', price)
    await must(`/api/visits/${id}/price`, 'PUT', { priceId: price.id })
    const sealed = (await owner(`/api/visits/${id}/money`)).body as VisitMoney
    expect(sealed.done).toBe(true)
    expect(sealed.price).toEqual({ id: price.id, cents: 9950 })

    const { costs } = (await owner('/api/money')).body as MoneyPage
    const cents = { ...costs.cents, roomHour: (costs.cents.roomHour ?? 0) + 500 }
    await must('/api/money/costs', 'PUT', { version: costs.version, cents })
    await must('/api/money/prices', 'PUT', { ...price, version: 1, cents: 12_000 })
    const later = (await owner(`/api/visits/${id}/money`)).body as VisitMoney
    expect(later.cents, 'costs of later days').toBe(sealed.cents)
    expect(later.price?.cents, 'a price of later days').toBe(9950)

    // The month of the house's own clock, which may be another one than that of UTC.
    const month = (await bundleOf(owner, id)).today.slice(0, 7)
    const earned = (await owner(`/api/money/earned?month=${month}`)).body as Earned
    expect(earned.visits.find((visit) => visit.id === id)).toMatchObject({
      client: 'Costs Something',
      price: 'For this test',
      takenCents: 9950,
      costCents: sealed.cents,
    })
  })
  it('who has seen older costs or an older price is told', async () => {
    const { costs } = (await owner('/api/money')).body as MoneyPage
    const body = { version: costs.version, cents: costs.cents }
    await must('/api/money/costs', 'PUT', body)
    expect((await owner('/api/money/costs', { method: 'PUT', body })).status).toBe(409)
    const price = { id: randomUUID(), version: 0, name: 'Twice', cents: 1, retired: true }
    await must('/api/money/prices', 'PUT', price)
    const stale = await owner('/api/money/prices', {
      method: 'PUT',
      body: { ...price, version: 5 },
    })
    expect(stale.status).toBe(409)
  })
  it('is seen by owners alone', async () => {
    for (const path of ['/api/money', '/api/money/earned?month=2026-11'])
      expect((await trainee(path)).status).toBe(403)
  })
})
