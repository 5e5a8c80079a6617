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
