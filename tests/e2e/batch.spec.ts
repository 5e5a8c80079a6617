import { randomUUID } from 'node:crypto'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { GROUPS } from '#core/face/regions'
import { propose } from '#core/planning/answer/propose'
import { toPlanInput } from '#core/visit/planInput'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { done, tell, withSteps } from '../support/ownPlan'
import { asked, bundleOf, someone, treating } from '../support/visit'
import { choose, goTo, letIn } from '../support/walk'

/** By touch alone: a tablet beside the couch. */
test.use({ hasTouch: true })

/** A visit of ninety minutes, planned with one thing in it. */
async function plannedWith(wanted: PlanStep['technique'], name: string): Promise<string> {
  const call = await asOwner()
  const id = await asked(call, 'owner', await someone(call, name), { minutes: 90 })
  const { steps } = propose({ ...toPlanInput(await bundleOf(call, id)), wanted: [wanted] })
  const reply = await call(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps } })
  expect(reply.status, reply.text).toBe(200)
  return id
}
const scoops = (text: string): number =>
  [...(/(\d*)([¼½¾]?) scoop/.exec(text) ?? [])]
    .slice(1)
    .reduce((sum, part) => sum + (Number({ '¼': 0.25, '½': 0.5, '¾': 0.75 }[part] ?? part) || 0), 0)

test('hardening for the face; neck and décolleté are tapped on, and batch, tray and taking off follow', async ({
  page,
}) => {
  const id = await plannedWith('hardeningMask', 'Batch By Zones')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/plan`)
  await page
    .getByRole('listitem', { name: /Hardening mask on/ })
    .first()
    .tap()
  const aside = page.getByRole('complementary', { name: 'Step and skin' })
  const amount = aside.locator('p.figures').filter({ hasText: 'scoop' }).first()
  const face = scoops(await amount.innerText())
  const saved = page.waitForResponse((reply) => reply.url().endsWith('/plan') && reply.ok())
  await aside.locator('[data-zone="neckFront"]').tap()
  await aside.locator('[data-zone="decollete"]').tap()
  await expect.poll(async () => scoops(await amount.innerText())).toBeGreaterThan(face)
  const whole = await amount.innerText()
  await saved
  const zonesOf = async (technique: string) =>
    (await bundleOf(await asOwner(), id)).plans
      .at(-1)
      ?.steps.find((step) => step.technique === technique)?.regions
  for (const technique of ['mixHardening', 'hardeningMask', 'hardeningOff'])
    await expect
      .poll(() => zonesOf(technique))
      .toEqual(expect.arrayContaining([...GROUPS.faceNoEyes, 'neck', 'decollete']))
  await goTo(page, 'Set')
  // One number: the dish, the mix, twice as much activator.
  const words = /[\d¼½¾]+ scoops?/.exec(whole)?.[0] ?? ''
  await expect(page.getByRole('listitem').filter({ hasText: words }).first()).toBeVisible()
  const mix = page.locator('section').filter({ hasText: 'In the room: mix fresh' })
  await expect(mix).toContainText(`${words} powder`)
  expect(scoops((await mix.innerText()).split('powder, ')[1] ?? '')).toBe(2 * scoops(whole))
})

test('in the room another scoop is taken from the card, and it comes off in its own way', async ({
  page,
}) => {
  const call = await asOwner()
  const id = await treating(call, 'owner', await someone(call, 'Off In Its Way'))
  const zones = [...GROUPS.faceNoEyes, 'neck', 'decollete'] as const
  const [mixing, on] = await withSteps(id, [
    ['mixHardening', zones],
    ['hardeningMask', zones],
    ['hardeningOff', zones],
  ])
  if (!mixing || !on) throw new Error('no steps')
  await tell(id, { kind: 'started' }, 40)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  const card = page.getByRole('note', { name: 'Mix' })
  const before = scoops(await card.innerText())
  await page.getByRole('button', { name: /^More of/ }).tap()
  await expect.poll(async () => scoops(await card.innerText())).toBe(before + 0.25)
  await expect(card).toContainText('used at once')
  await tell(id, done(mixing), 35)
  await tell(id, done(on), 28)
  await page.getByRole('button', { name: 'Firm all over: take it off' }).tap()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Oil film, then warm cloth')
  await expect(page.getByText('2 fresh cloths')).toBeVisible()
  await expect(page.locator('.amount').filter({ hasText: 'Oil' })).toBeVisible()
})

test('a recipe of the house is received, chosen in the plan, and laid out with all its parts', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/shelf')
  await page.getByRole('button', { name: 'Add a product' }).tap()
  await expect(async () => {
    await page
      .getByRole('combobox', { name: 'Begin with a recipe' })
      .tap({ force: true, timeout: 3_000 })
    await page.getByRole('option', { name: 'Gram flour mask' }).tap({ timeout: 3_000 })
  }).toPass()
  const NAME = `Planned Gram Flour ${randomUUID().slice(0, 6)}`
  await page.getByLabel('Name', { exact: true }).fill(NAME)
  await page.getByLabel('Pack', { exact: true }).fill('500')
  await page.getByRole('button', { name: 'Save the product' }).tap()
  await expect(page.getByRole('button', { name: 'Save the product' })).toHaveCount(0)
  await page.getByLabel('Name, kind or ingredient').fill(NAME)
  await page.getByRole('button', { name: `Change ${NAME}` }).tap()
  await page.getByText('Receive a bottle', { exact: true }).tap()
  await page.getByLabel('Code on the bottle').fill('G1')
  await page.getByLabel('Good until', { exact: true }).fill('2031-01-01')
  await page.getByRole('button', { name: 'Add bottle' }).tap()
  await expect(page.getByRole('cell', { name: 'G1' })).toBeVisible()

  const id = await plannedWith('freshMask', 'Gram Flour Planned')
  await open(page, `/visits/${id}/plan`)
  await page
    .getByRole('listitem', { name: /Fresh powder mask on/ })
    .first()
    .tap()
  // Where the house took it by itself, nothing is left to choose.
  await choose(page, 'Product', NAME)
  const chosen = async () => {
    const { plans, shelf } = await bundleOf(await asOwner(), id)
    const step = plans.at(-1)?.steps.find(({ technique }) => technique === 'freshMask')
    return shelf.find(({ product }) => product.id === step?.productId)?.product.name
  }
  await expect.poll(chosen).toBe(NAME)
  await goTo(page, 'Set')
  await expect(page.getByRole('listitem').filter({ hasText: NAME }).first()).toBeVisible()
  const mix = page.locator('section').filter({ hasText: 'In the room: mix fresh' })
  await expect(mix).toContainText('rose water')
  await expect(mix).toContainText('honey')
})
