import { expect, test } from '../support/browserTest'
import { propose } from '#core/planning/answer/propose'
import { toPlanInput } from '#core/visit/planInput'
import { asOwner, open, runningVisit } from '../support/house'
import { done, tell, withSteps } from '../support/ownPlan'
import { book, bundleOf, prepared, someone, tap } from '../support/visit'
import { visitWrites } from '../support/visitWrites'
import { letIn } from '../support/walk'

test('lenses are to be out: planned, laid out, waited for and kept', async ({ page }) => {
  const owner = await asOwner()
  const { post, sign, read, answer } = visitWrites(owner)
  const id = await book(owner, 'owner', await someone(owner, 'Lens Test'))
  await answer(id, { lenses: { say: 'yes' } })
  await sign(id, ['care', 'exfoliation', 'machine', 'current'])
  await read(id)
  const { steps } = propose(toPlanInput(await bundleOf(owner, id)))
  expect((await post(id, 'plan', { steps }, 'PUT')).status).toBe(200)

  await letIn(page, 'owner')
  await open(page, `/visits/${id}/plan`)
  await page
    .getByRole('list', { name: 'Steps' })
    .getByRole('listitem', { name: /: Eyes and lips off,/ })
    .click()
  await expect(page.getByText('First Contact lenses are out')).toBeVisible()
  await open(page, `/visits/${id}/set`)
  await expect(page.getByRole('heading', { name: 'Before you begin' })).toBeVisible()
  await expect(page.getByText('Contact lenses are out')).toBeVisible()
  await page.getByRole('button', { name: 'Start the treatment' }).click()
  await page.waitForURL(/\/treat$/)
  await expect(page.getByRole('heading', { name: 'Eyes and lips off' })).toBeVisible()
  await expect(page.getByRole('list', { name: 'First', exact: true })).toContainText(
    'contact lenses are out',
  )
  // The key that ends a step begins it here, and only then ends it.
  await page.keyboard.press('Space')
  await expect(page.getByRole('list', { name: 'First', exact: true })).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Eyes and lips off' })).toBeVisible()
  const told = async () => (await bundleOf(owner, id)).events.map((event) => event.body)
  await expect.poll(async () => (await told()).some((body) => body.kind === 'confirmed')).toBe(true)
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: 'Eyes and lips off' })).toBeHidden()
})

test('what burned once is said wherever this client is looked at, and is not planned', async ({
  page,
}) => {
  const owner = await asOwner()
  const client = await someone(owner, 'Burned Test')
  const first = await runningVisit(client)
  const plan = (await bundleOf(owner, first)).plans.find((one) => one.version === 1)
  const productId = plan?.steps.find((step) => step.technique === 'moisturiser')?.productId
  if (!productId) throw new Error('no moisturiser was planned')
  const where = ['cheekL'] as const
  const body = {
    kind: 'contraAction',
    what: 'burning',
    where,
    done: 'rinsed',
    suspected: productId,
  }
  const events = [tap({ kind: 'started' }, Date.now() - 5000), tap(body as never)]
  const sent = await owner(`/api/visits/${first}/events`, { method: 'POST', body: { events } })
  expect(sent.status).toBe(200)
  const id = await prepared(owner, 'owner', client)
  const item = (await bundleOf(owner, id)).shelf.find((one) => one.product.id === productId)
  const name = item?.product.name ?? 'gone'

  await letIn(page, 'owner')
  await open(page, `/people/${client}`)
  await expect(page.getByText(`reacted: ${name}`)).toBeVisible()
  await open(page, `/visits/${id}/ask`)
  await expect(page.getByText(`reacted: ${name}`)).toBeVisible()
  await expect(page.getByText(`${name} is suspected of the reaction`)).toBeVisible()
  await open(page, '/shelf')
  await page.getByLabel('Name, kind or ingredient').fill(name)
  await expect(page.getByRole('row', { name: new RegExp(name) }).first()).toContainText('suspected')
  const planned = (await bundleOf(owner, id)).plans.flatMap((one) => one.steps)
  expect(planned.map((step) => step.productId)).not.toContain(productId)
})

test('what is told while the treatment runs bars the step at hand, on every tablet', async ({
  page,
}) => {
  const owner = await asOwner()
  const { answer } = visitWrites(owner)
  const id = await runningVisit(await someone(owner, 'Told Late'))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByRole('timer')).toBeVisible()
  await expect(page.getByText('Skip this step')).toBeHidden()
  // Another tablet keeps it; this one hears of it before the step goes on.
  await answer(id, { fever: { say: 'yes' } })
  const alert = page.getByRole('alert').filter({ hasText: 'Stop here' })
  await expect(alert).toBeVisible()
  await alert.getByRole('button', { name: 'Skip this step' }).click()
  await expect(page.getByRole('dialog', { name: /skip/i })).toBeVisible()
  await page.keyboard.press('Escape')
  // In the room itself it is told on Ask.
  await open(page, `/visits/${id}/ask`)
  await expect(page.getByText('Fever', { exact: false }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Back to the room' }).click()
  await expect(alert).toBeVisible()
})

test('what is told against a mask that lies is said over the silence, and it comes off first', async ({
  page,
}) => {
  const owner = await asOwner()
  const { answer } = visitWrites(owner)
  const id = await runningVisit(await someone(owner, 'Told Under A Mask'))
  const steps = await withSteps(id, [
    ['oilCleanse'],
    ['tone'],
    ['mixHardening'],
    ['hardeningMask'],
    ['handsArms'],
    ['hardeningOff'],
    ['moisturiser'],
  ])
  await tell(id, { kind: 'started' }, 9)
  for (const [i, step] of steps.slice(0, 4).entries()) await tell(id, done(step), 8 - 2 * i)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByRole('region', { name: 'Silence' })).toBeVisible()
  const told = page.getByRole('alert').filter({ hasText: 'comes off now' })
  await expect(told).toBeHidden()
  await answer(id, { fever: { say: 'yes' } })
  await expect(told).toContainText('Stop here.')
  await told.getByRole('button', { name: 'Take it off now' }).click()
  await expect(told).toBeHidden()
  await expect(
    page.getByRole('heading', { level: 1, name: 'Oil film, then warm cloth' }),
  ).toBeVisible()
  const kinds = async () => (await bundleOf(owner, id)).events.map(({ body }) => body.kind)
  await expect.poll(kinds).toContain('offNow')
})
