import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { GROUPS } from '#core/face/regions'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { done, tell, withSteps } from '../support/ownPlan'
import { bundleOf, prepared, someone, treating } from '../support/visit'
import { letIn } from '../support/walk'

/** By touch alone: a tablet beside the couch. */
test.use({ hasTouch: true })

const send = async (method: 'POST' | 'PUT', path: string, body: object) => {
  const reply = await (await asOwner())(path, { method, body })
  expect(reply.status, reply.text).toBe(200)
}
/** Vials enough, whatever other tests have taken. */
async function moreVials(id: string): Promise<void> {
  const { shelf } = await bundleOf(await asOwner(), id)
  const productId = shelf.find(({ product }) => product.kind === 'ampoule')?.product.id ?? ''
  const code = `V-${randomUUID().slice(0, 8)}`
  await send('POST', '/api/lots', {
    ...{ id: randomUUID(), productId, code, expires: '2031-01-01', millilitres: 40 },
  })
}

test('half an ampoule is kept, is the bottle of the next morning, and past its time is none', async ({
  page,
}) => {
  const call = await asOwner()
  const client = await someone(call, 'Half Kept')
  const first = await treating(call, 'owner', client)
  await moreVials(first)
  const face = [...GROUPS.face]
  const [ampoule] = await withSteps(first, [['ampoule', face]])
  if (!ampoule) throw new Error('no step')
  await tell(first, { kind: 'started' }, 3)
  await tell(first, done(ampoule), 1)
  await tell(first, { kind: 'finished' })
  await letIn(page, 'owner')
  await open(page, `/visits/${first}/close`)
  await expect(page.getByText(/goes home with the client, for tomorrow morning/)).toBeVisible()
  await page.getByRole('button', { name: /^Keep it here, until .*12:00$/ }).tap()
  await expect(page.getByText(/is kept here, until .*12:00/)).toBeVisible()

  const next = await treating(call, 'owner', client)
  await withSteps(next, [['ampoule', face]])
  await open(page, `/visits/${next}/set`)
  const dish = page.getByRole('listitem').filter({ hasText: 'the other half, until 12:00' })
  await expect(dish).toContainText('½ piece')
  await expect(page.getByRole('heading', { name: 'Use first, or throw out' })).toBeVisible()

  const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1, onnotice: () => {} })
  await db`update opened_things set at = now() - interval '2 days', until = now() - interval '1 hour'
    where client_id = ${client}`
  await db.end()
  await open(page, `/visits/${next}/set`)
  await expect(page.getByText('the other half, until')).toHaveCount(0)
  await expect(page.getByText(/over since/)).toBeVisible()
  await page.getByRole('button', { name: 'Thrown out' }).first().tap()
  await expect(page.getByText(/over since/)).toHaveCount(0)
})

test('a bottle with something wrong: another for its step from the trolley, or a new one that came', async ({
  page,
}) => {
  const call = await asOwner()
  const id = await prepared(call, 'owner', await someone(call, 'Other Bottle'))
  const { shelf, plans } = await bundleOf(call, id)
  const step = plans.at(-1)?.steps.find(({ technique }) => technique === 'moisturiser')
  const item = shelf.find(({ product }) => product.id === step?.productId)
  if (!step || !item) throw new Error('no cream')
  const gone = item.lots.filter(({ remainingMillilitres }) => remainingMillilitres > 0)
  const move = (lotId: string, more: object) =>
    send('POST', '/api/movements', { id: randomUUID(), lotId, reason: 'test', ...more })
  for (const { id: lotId } of gone) await move(lotId, { kind: 'writtenOff' })
  try {
    await letIn(page, 'owner')
    await open(page, `/visits/${id}/set`)
    const dish = page.getByRole('listitem').filter({ hasText: item.product.name }).last()
    await dish
      .getByRole('button', { name: /^Take / })
      .first()
      .tap()
    await expect(page.getByRole('listitem').filter({ hasText: item.product.name })).toHaveCount(0)
    const after = (await bundleOf(call, id)).plans.at(-1)?.steps
    expect(after?.find(({ key }) => key === step.key)?.productId).not.toBe(item.product.id)
    await expect(page.getByText('Everything is here and in date')).toBeVisible()
  } finally {
    for (const lot of gone)
      await move(lot.id, { kind: 'counted', millilitres: lot.remainingMillilitres })
  }
})

test('what waits to be cleaned stands first on Set, and is laid once it is', async ({ page }) => {
  const call = await asOwner()
  const pieces = (count: number) =>
    send('PUT', '/api/tools', { tool: 'diamondTip', pieces: count, contactMinutes: 1 })
  await pieces(1)
  try {
    const before = await treating(call, 'owner', await someone(call, 'Had The Tip'))
    const [tip] = await withSteps(before, [['tip', ['nose']]])
    if (!tip) throw new Error('no step')
    await tell(before, { kind: 'started' }, 9)
    await tell(before, done(tip), 5)
    const next = await treating(call, 'owner', await someone(call, 'Wants The Tip'))
    await withSteps(next, [['tip', ['nose']]])
    await letIn(page, 'owner')
    await open(page, `/visits/${next}/set`)
    await expect(page.getByRole('heading', { name: 'Clean first' })).toBeVisible()
    await page.getByRole('button', { name: /^It was cleaned already/ }).tap()
    await expect(page.getByRole('heading', { name: 'Clean first' })).toHaveCount(0)
    await expect(page.getByText('Everything is here and in date')).toBeVisible()
  } finally {
    await pieces(100)
  }
})

test('a batch that is taken beside the step’s own and called back is said in the room', async ({
  page,
}) => {
  const call = await asOwner()
  const id = await treating(call, 'owner', await someone(call, 'Called Beside'))
  const [oil] = await withSteps(id, [['oilCleanse'], ['moisturiser']])
  if (!oil) throw new Error('no step')
  await tell(id, { kind: 'started' }, 1)
  const { shelf } = await bundleOf(call, id)
  const productId = shelf.find(({ product }) => product.kind === 'emulsifier')?.product.id ?? ''
  const code = `B-${randomUUID().slice(0, 8)}`
  const lotId = randomUUID()
  await send('POST', '/api/lots', {
    ...{ id: lotId, productId, code, expires: '2031-01-01', millilitres: 20 },
  })
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await send('POST', '/api/recalls', { id: randomUUID(), code, reason: 'test' })
  await expect(
    page.getByRole('alert').filter({ hasText: `batch ${code} is recalled` }),
  ).toBeVisible()
  // It is no bottle of other visits: thrown out, as what is called back is.
  await send('POST', '/api/movements', {
    ...{ id: randomUUID(), lotId, kind: 'writtenOff', reason: 'called back' },
  })
})

test('what is open has its clock; the order list comes as a file', async ({ page }) => {
  await letIn(page, 'owner')
  await open(page, '/shelf')
  await page.getByRole('link', { name: 'Open now' }).tap()
  await page.getByRole('button', { name: 'sterile pack' }).tap()
  await page.getByLabel('Which one, if there are several').fill('loops, set 3')
  await page.getByLabel('Good for, by its label').fill('72')
  await page.getByRole('button', { name: 'Start its clock' }).tap()
  const thing = page.getByRole('listitem').filter({ hasText: 'loops, set 3' })
  await expect(thing).toContainText('good until')
  await thing.getByRole('button', { name: /^Used up/ }).tap()
  await expect(page.getByText('used up')).toBeVisible()

  await send('POST', '/api/products', {
    ...{ id: randomUUID(), name: 'To Be Ordered', line: '', kind: 'lipScrub', label: 'Sucrose' },
    ...{ acid: null, pH: null, density: 1, suits: ['all'], calming: false },
    dispenser: { kind: 'spatula', millilitres: 1 },
    ...{ packMillilitres: 10, priceCents: 350, openMonths: 12, reorderMillilitres: 25 },
  })
  await open(page, '/shelf/order')
  await expect(page.getByRole('row').filter({ hasText: 'To Be Ordered' })).toContainText('3 packs')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Order list as CSV' }).tap()
  expect((await download).suggestedFilename()).toMatch(/^order-.*\.csv$/)
})

test('a label says how long a mask rests and how it comes off; what its kind does not bear is refused', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/shelf')
  await page.getByRole('button', { name: 'Add a product' }).tap()
  await page.getByLabel('Name', { exact: true }).fill('Label By Hand')
  // A long list goes to what is typed.
  await page.getByRole('combobox', { name: 'Kind' }).focus()
  await page.keyboard.type('cream mask')
  await page.getByLabel('Pack', { exact: true }).fill('100')
  await page.getByLabel(/^Rests from/).fill('5')
  await page.getByLabel('to', { exact: true }).fill('15')
  await page.getByRole('button', { name: 'Save the product' }).tap()
  await expect(page.getByText('10 to 20 minutes for cream mask').first()).toBeVisible()
  await page.getByLabel(/^Rests from/).fill('10')
  await page.getByRole('combobox', { name: 'Comes off' }).tap({ force: true })
  await page.getByRole('option', { name: 'massaged in' }).tap()
  await page.getByRole('button', { name: 'Save the product' }).tap()
  await expect(page.getByRole('button', { name: 'Save the product' })).toHaveCount(0)
})
