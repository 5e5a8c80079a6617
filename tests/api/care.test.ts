import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { exfoliates } from '#core/catalogue/techniques/traits'
import { toPlanInput } from '#core/visit/planInput'
import { openPoints, standingHere } from '#core/visit/ready'
import { allowance } from '#core/planning/today/allowed'
import { propose } from '#core/planning/answer/propose'
import { RESILIENT } from '#core/testing/fixtures'
import { demoId } from '#db/demo/ids'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, sealedVisit, someone } from '../support/visit'
import { visitWrites } from '../support/visitWrites'

const base = testUrl()
const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2 })
let owner: Caller
let post: ReturnType<typeof visitWrites>['post']
let sign: ReturnType<typeof visitWrites>['sign']
let read: ReturnType<typeof visitWrites>['read']
let answer: ReturnType<typeof visitWrites>['answer']
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  ;({ post, sign, read, answer } = visitWrites(owner))
})
afterAll(() => db.end())
const newOne = (born?: string) => someone(owner, 'Care Test', born)
const visitOf = (client: string) => book(owner, 'owner', client)

describe('consent by kind', () => {
  it('stands from visit to visit until taken back, and the start asks for what the plan needs', async () => {
    const client = await newOne()
    const first = await visitOf(client)
    await sign(first, ['care'])
    const id = await visitOf(client)
    await answer(id)
    await read(id)
    const { version } = (await bundleOf(owner, id)).visit
    const aims = ['dullness', 'congestion']
    const patched = await owner(`/api/visits/${id}`, { method: 'PATCH', body: { version, aims } })
    expect(patched.status).toBe(200)
    const bundle = await bundleOf(owner, id)
    expect(bundle.consent).toBeNull()
    expect(standingHere(bundle).map((standing) => standing.kind)).toEqual(['care'])
    const plan = propose(toPlanInput(bundle))
    await post(id, 'plan', { steps: plan.steps }, 'PUT')
    const needs = openPoints(await bundleOf(owner, id)).map((openPoint) => openPoint.text)
    expect(plan.steps.some((step) => exfoliates(step.technique))).toBe(true)
    expect(needs.join(' ')).toContain('exfoliation')
    await sign(id, ['exfoliation', 'machine', 'current'])
    expect(openPoints(await bundleOf(owner, id))).toEqual([])
    await post(id, 'withdrawals', { id: randomUUID(), kinds: ['care'] })
    const reply = await post(id, 'start', {})
    expect(reply.status).toBe(422)
    expect(reply.text).toContain('Consent is not signed')
  })
  it("of a child is a guardian's", async () => {
    const id = await visitOf(await newOne(`${new Date().getFullYear() - 12}-01-01`))
    await sign(id, ['care', 'exfoliation', 'current', 'machine'])
    expect(openPoints(await bundleOf(owner, id)).map((openPoint) => openPoint.text)).toContain(
      'A guardian signs for this client.',
    )
    await sign(id, ['care', 'exfoliation', 'current', 'machine'], true)
    expect(standingHere(await bundleOf(owner, id))).toHaveLength(4)
  })
})

describe('patch tests', () => {
  it('keep a product from being planned until read clear, and not before a day has passed', async () => {
    const id = await visitOf(await newOne())
    await answer(id)
    await read(id, { cheekL: { ...RESILIENT, sensitivity: 2 } })
    const booked = new Date((await bundleOf(owner, id)).visit.startsAt)
    const waiting = async () => toPlanInput(await bundleOf(owner, id)).patch
    const due = Object.entries(await waiting()).find(([, why]) =>
      why.startsWith('patch test first'),
    )
    if (!due) throw new Error('no product of the shelf asks for a test')
    const [productId] = due
    const testId = randomUUID()
    expect(
      (await post(id, 'patch-tests', { id: testId, productId, place: 'behindEar' })).status,
    ).toBe(200)
    await db`update visits set starts_at = now() + interval '1 hour', allowed_because = 'today is full' where id = ${id}`
    expect((await waiting())[productId]).toContain('not to be read yet')
    const early = await post(id, 'patch-reads', { id: randomUUID(), testId, result: 'clear' })
    expect(early.status).toBe(422)
    expect(early.text).toContain('Too early')
    await db`update patch_tests set at = now() - interval '25 hours' where id = ${testId}`
    expect((await waiting())[productId]).toContain('not read yet')
    expect(
      (await post(id, 'patch-reads', { id: randomUUID(), testId, result: 'clear' })).status,
    ).toBe(200)
    expect((await waiting())[productId]).toBeUndefined()
    await answer(id, {}, 'iron tablet')
    expect((await waiting())[productId]).toContain('a new medicine since the last test')
    await post(id, 'patch-reads', { id: randomUUID(), testId, result: 'reaction' })
    expect((await waiting())[productId]).toContain('reacted')
    const input = toPlanInput(await bundleOf(owner, id))
    const kind = input.shelf.find((item) => item.product.id === productId)?.product.kind
    // Off today's page again, to a day of its own.
    await db`update visits set starts_at = ${booked}, allowed_because = null where id = ${id}`
    for (const technique of ['enzyme', 'serum', 'moisturiser', 'hydratingMask'] as const)
      expect(
        allowance(technique, input).products.map((product) => product.product.id),
        `${kind ?? ''} for ${technique}`,
      ).not.toContain(productId)
  })
  it('are not asked again for what was used here before', async () => {
    const client = demoId('other-24')
    const id = await sealedVisit(owner, 'owner', 'other-24')
    const used = (await bundleOf(owner, id)).plans.flatMap((plan) =>
      plan.steps.flatMap((step) => step.productId ?? []),
    )
    const next = await visitOf(client)
    expect((await bundleOf(owner, next)).usedProducts).toEqual(
      expect.arrayContaining([...new Set(used)]),
    )
  })
  it('of another client are not read here', async () => {
    const one = await visitOf(await newOne())
    const testId = randomUUID()
    await post(one, 'patch-tests', { id: testId, productId: 'serum-tide', place: 'innerElbow' })
    expect(
      (
        await post(await visitOf(await newOne()), 'patch-reads', {
          id: randomUUID(),
          testId,
          result: 'reaction',
        })
      ).status,
    ).toBe(404)
  })
})

describe('what a client likes and uses', () => {
  it('stays on the file, and no scent means no scented product', async () => {
    const client = await newOne()
    const id = await visitOf(client)
    await answer(id)
    await read(id)
    const scented = (bundle: Parameters<typeof toPlanInput>[0]) => {
      const i = toPlanInput(bundle)
      return i.shelf
        .filter((item) => item.product.inci.includes('Parfum'))
        .every((item) =>
          (['milk', 'serum', 'moisturiser'] as const).every(
            (technique) =>
              !allowance(technique, i).products.some(
                (product) => product.product.id === item.product.id,
              ),
          ),
        )
    }
    await post(id, 'preferences', { preferences: { scent: 'none', talk: 'quiet' } }, 'PUT')
    expect(scented(await bundleOf(owner, await visitOf(client)))).toBe(true)
    expect((await bundleOf(owner, await visitOf(client))).client.preferences).toEqual({
      scent: 'none',
      talk: 'quiet',
    })
  })
  it('evenings at home fill the basins that the plan reckons with', async () => {
    const id = await visitOf(await newOne())
    const today = (await bundleOf(owner, id)).today
    await answer(id)
    await read(id)
    const before = toPlanInput(await bundleOf(owner, id)).residual.cheekL
    await answer(id, {
      retinoid: {
        say: 'yes',
        date: new Date(Date.parse(today) - 86_400_000).toISOString().slice(0, 10),
        perWeek: 5,
      },
    })
    expect(toPlanInput(await bundleOf(owner, id)).residual.cheekL).toBeGreaterThan(before)
  })
  it('both halves are kept before and after, with the light they were seen in', async () => {
    const id = await visitOf(await newOne())
    for (const [moment, value] of [
      ['before', 1],
      ['after', 3],
    ] as const)
      expect(
        (
          await post(id, 'halves', {
            id: randomUUID(),
            moment,
            worked: 'L',
            light: 'ring lamp',
            grades: { brow: { L: value, R: 1 } },
          })
        ).status,
      ).toBe(200)
    expect((await bundleOf(owner, id)).halves.map((halve) => halve.grades.brow?.L)).toEqual([1, 3])
  })
})
