import { randomUUID } from 'node:crypto'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { done, tell, withSteps } from '../support/ownPlan'
import { bundleOf, prepared, someone, throughTheRoom, treating } from '../support/visit'
import { choose, letIn } from '../support/walk'

const put = async (path: string, body: object) => {
  const reply = await (await asOwner())(path, { method: 'PUT', body })
  expect(reply.status, reply.text).toBe(200)
}
test('the tray is ticked by touch; a reload and another tablet have the ticks', async ({
  page,
}) => {
  const id = await prepared(await asOwner(), 'owner', await someone(await asOwner(), 'Tray Ticks'))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/set`)
  const first = page.getByRole('checkbox', { name: /laid out$/ }).first()
  const laid = page.waitForResponse((reply) => reply.url().endsWith('/laid'))
  await first.check()
  expect((await laid).status()).toBe(200)
  await expect(page.getByText(/^1 of \d+ done$/)).toBeVisible()
  await open(page, `/visits/${id}/set`)
  await expect(page.getByRole('checkbox', { name: /laid out$/ }).first()).toBeChecked()
  for (const box of await page.getByRole('checkbox').all()) await box.check()
  await expect(page.getByText('Ready: the client can come in')).toBeVisible()
})

test('a tool that was used is washed, kept wet, and held back until its time is over', async ({
  page,
}) => {
  await put('/api/tools', { tool: 'stones', pieces: 1, contactMinutes: 10 })
  const id = await treating(await asOwner(), 'owner', await someone(await asOwner(), 'Had Stones'))
  const [massage, stones] = await withSteps(id, [['massage'], ['stones'], ['moisturiser']])
  if (!massage || !stones) throw new Error('no steps')
  await tell(id, { kind: 'started' }, 9)
  await tell(id, done(massage), 6)
  await tell(id, done(stones), 3)
  await letIn(page, 'owner')
  await open(page, '/shelf/cleaning')
  const tool = page.locator('.tool').filter({ hasText: 'set of stones' })
  await expect(tool).toContainText('0 clean')
  await tool.getByRole('button', { name: 'washed' }).click()
  await tool.getByRole('button', { name: 'in the disinfectant' }).click()
  await expect(tool.getByRole('timer')).toContainText('10 min wet')
  await expect(tool.getByRole('button', { name: 'dried, ready' })).toHaveCount(0)
  await expect(page.getByRole('cell', { name: 'set of stones' }).first()).toBeVisible()
  await put('/api/tools', { tool: 'stones', pieces: 100, contactMinutes: 10 })
})

test('a hardening mask is mixed in the room by its card; another scoop, and the liquid follows', async ({
  page,
}) => {
  const id = await treating(
    await asOwner(),
    'owner',
    await someone(await asOwner(), 'Mixed By Card'),
  )
  const [blot, mix] = await withSteps(id, [
    ['blot'],
    ['mixHardening'],
    ['hardeningMask'],
    ['hardeningOff'],
  ])
  if (!blot || !mix) throw new Error('no steps')
  await tell(id, { kind: 'started' }, 2)
  await tell(id, done(blot), 1)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  const card = page.getByRole('note', { name: 'Mix' })
  await expect(card).toContainText('Workable 3 min')
  const before = await card.innerText()
  await page.getByRole('button', { name: /^More of/ }).click()
  await expect(card).not.toHaveText(before)
})

test('what a visit cost, what it is billed as and what it earned', async ({ page }) => {
  const price = { id: randomUUID(), version: 0, name: 'Browser hour', cents: 9000, retired: false }
  await put('/api/money/prices', price)
  const id = await treating(await asOwner(), 'owner', await someone(await asOwner(), 'Is Billed'))
  await throughTheRoom(await asOwner(), id)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/close`)
  await expect(page.getByRole('heading', { name: 'What it cost' })).toBeVisible()
  await choose(page, 'Billed as', 'Browser hour')
  await expect(page.getByText('€90.00')).toBeVisible()
  await open(page, '/practice/money')
  await page.getByLabel('a cotton pad').fill('0,05')
  await page.getByRole('button', { name: 'Save the costs' }).click()
  await open(page, '/practice/money')
  await expect(page.getByLabel('a cotton pad')).toHaveValue('0.05')
})

test('a recipe of three parts is made on the shelf, and its tray lays all of them', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/shelf')
  await page.getByRole('button', { name: 'Add a product' }).click()
  // The list goes once a recipe is there.
  await expect(async () => {
    await page
      .getByRole('combobox', { name: 'Begin with a recipe' })
      .click({ force: true, timeout: 3_000 })
    await page.getByRole('option', { name: 'Gram flour mask' }).click({ timeout: 3_000 })
  }).toPass()
  await page.getByLabel('Name', { exact: true }).fill('Gram Flour Of The House')
  await page.getByLabel('Pack', { exact: true }).fill('500')
  await page.getByLabel('Price of a pack').fill('6')
  await page.getByRole('button', { name: 'Add a part' }).click()
  await page.getByLabel('Part 3').fill('almond oil')
  await page.getByLabel('What is in it').last().fill('Prunus Amygdalus Dulcis Oil')
  await page.getByRole('button', { name: 'Save the product' }).click()
  await expect(page.getByRole('button', { name: 'Save the product' })).toHaveCount(0)
  const id = await treating(await asOwner(), 'owner', await someone(await asOwner(), 'Gram Flour'))
  const { shelf } = await bundleOf(await asOwner(), id)
  const own = shelf.find(({ product }) => product.name === 'Gram Flour Of The House')?.product
  expect(own?.recipe?.others.map(({ name }) => name)).toEqual(['rose water', 'honey', 'almond oil'])
  // Each part is read against allergies like any bottle.
  expect(own?.inci).toEqual(
    expect.arrayContaining(['Cicer Arietinum Seed Powder', 'Mel', 'Prunus Amygdalus Dulcis Oil']),
  )
  await open(page, '/shelf')
  await page.getByLabel('Name, kind or ingredient').fill('Gram Flour Of The House')
  await page.getByRole('button', { name: /^Change Gram Flour/ }).click()
  await page.getByText('Change the product', { exact: true }).click()
  await expect(page.getByLabel('Ingredients, as printed on the box')).toHaveValue(
    'Cicer Arietinum Seed Powder',
  )
  await expect(page.getByLabel('Part 2')).toHaveValue('honey')
})
