import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { someone } from '../support/visit'
import { letIn } from '../support/walk'

test('people of one name are told apart wherever they are chosen, and nobody is added twice unsaid', async ({
  page,
}) => {
  const owner = await asOwner()
  for (let twice = 0; twice < 2; twice++) await someone(owner, 'Two Of Them')
  await letIn(page, 'owner')
  await open(page, '/people')
  await page.getByLabel('Search by name or work').fill('Two Of Them')
  const rows = page.getByRole('row').filter({ hasText: 'Two Of Them' })
  await expect(rows).toHaveCount(2)
  for (const row of await rows.all())
    await expect(row).toContainText(/born \d|no birthday or phone on file|\+|\d{4}/)
  await page.getByRole('button', { name: 'Add a client' }).click()
  await page.getByLabel('Name', { exact: true }).fill('two of  them')
  await expect(page.getByText('Already on file:')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Nobody Yet')
  await expect(page.getByText('Already on file:')).toBeHidden()
  await page.getByRole('button', { name: 'Discard' }).click()
  await open(page, '/')
  await page.getByRole('button', { name: 'Add a visit' }).click()
  await page.getByRole('combobox', { name: 'Client' }).fill('Two Of Them')
  const options = page.getByRole('option')
  await expect(options).toHaveCount(2)
  for (const option of await options.all())
    await expect(option).toContainText(/born \d|no birthday or phone on file|\+|\d{4}/)
})

test('the list goes by any column, either way, by keyboard too', async ({ page }) => {
  await letIn(page, 'owner')
  await open(page, '/people')
  const column = (name: string) => page.getByRole('columnheader', { name })
  await expect(column('Name')).toHaveAttribute('aria-sort', 'ascending')
  const first = page.locator('tbody tr').first()
  await column('Last visit').getByRole('button').press('Enter')
  await expect(column('Last visit')).toHaveAttribute('aria-sort', 'ascending')
  await expect(first).not.toContainText('none yet')
  await column('Last visit').getByRole('button').press('Enter')
  await expect(column('Last visit')).toHaveAttribute('aria-sort', 'descending')
  await expect(column('Name')).toHaveAttribute('aria-sort', 'none')
  await expect(first).not.toContainText('none yet')
})

test('two files of one person are joined, and separated again', async ({ page }) => {
  const owner = await asOwner()
  // A second try meets the first one's people: it brings others.
  const again = test.info().retry > 0
  const name = again ? 'Twice On File' : 'Joined By Hand'
  const unlike = again ? 'Else Entirely' : 'Née Otherwise'
  const kept = await someone(owner, name)
  const other = await someone(owner, name)
  await letIn(page, 'owner')
  await open(page, `/people/${kept}`)
  const likely = page.getByRole('list', { name: 'Perhaps the same person' })
  await likely.getByRole('button', { name: 'Join' }).click()
  await page.getByRole('button', { name: 'Join the files' }).click()
  const joined = page.getByRole('list', { name: 'Joined files' })
  await expect(joined).toContainText(name)
  await expect(likely).toBeHidden()
  await joined.getByRole('button', { name: 'Separate' }).click()
  await expect(likely).toBeVisible()
  // One that nobody would guess is looked for by its name.
  const far = await someone(owner, unlike)
  await page.getByRole('button', { name: 'Join another file' }).click()
  await page.getByRole('combobox', { name: 'The other file' }).fill(unlike)
  // By its name: until the search has answered, others stand in the list.
  await page.getByRole('option', { name: unlike }).click()
  await page.getByRole('button', { name: 'Join the files' }).click()
  await expect(joined).toContainText(unlike)
  for (const [id, status] of [
    [far, 404],
    [other, 200],
  ] as const)
    expect((await owner(`/api/people/${id}`)).status).toBe(status)
})

test('a tag of the house is given, seen and looked for', async ({ page }) => {
  const owner = await asOwner()
  const id = await someone(owner, 'Tagged By Hand')
  await letIn(page, 'owner')
  await open(page, `/people/${id}`)
  await page.getByRole('button', { name: 'Edit' }).click()
  await page.getByRole('combobox', { name: 'Tags' }).fill('ferry days')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('ferry days')).toBeVisible()
  await open(page, '/people')
  const tag = page.getByRole('button', { name: 'ferry days' })
  await tag.click()
  await expect(tag).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('row').filter({ hasText: 'Tagged By Hand' })).toBeVisible()
  await expect(page.locator('tbody tr')).toHaveCount(1)
})
