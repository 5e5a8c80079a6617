import type { Locator } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { open } from '../support/house'
import { letIn } from '../support/walk'

test('a delivery is scanned onto one sheet and comes in at once; what is refused stays with why', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/shelf/delivery')
  const scan = page.getByLabel('Scan or type the code')
  const lines = page.getByRole('list', { name: 'Bottles of the delivery' }).getByRole('listitem')
  const day = (line: Locator) => line.getByRole('textbox', { name: 'Good until' })
  // Lot and date of a printed code; then a plain one that takes its product from the line before.
  await scan.fill('0109506000134352' + '17280330' + '10DLV-1')
  await scan.press('Enter')
  await lines.first().getByRole('combobox', { name: 'Product' }).click()
  await page.getByRole('option').first().click()
  await expect(lines.first().getByLabel('Code on the bottle')).toHaveValue('DLV-1')
  await expect(day(lines.first())).toHaveValue(/30 Mar 2028/)
  await scan.fill('DLV-2')
  await scan.press('Enter')
  await expect(page.getByText('Each line needs a product')).toBeVisible()
  await day(lines.nth(1)).fill('1.3.2020')
  await day(lines.nth(1)).blur()
  await page.getByRole('button', { name: 'Receive 2 bottles' }).click()
  await expect(page.getByText('1 bottle received.')).toBeVisible()
  await expect(lines).toHaveCount(1)
  await expect(page.getByText(/^DLV-2: This date is over/)).toBeVisible()
  // A reload loses nothing of the sheet.
  await open(page, '/shelf/delivery')
  await expect(lines.first().getByLabel('Code on the bottle')).toHaveValue('DLV-2')
  await day(lines.first()).fill('1.3.2031')
  await day(lines.first()).blur()
  await page.getByRole('button', { name: 'Receive 1 bottle' }).click()
  await expect(page.getByText('1 bottle received.')).toBeVisible()
  await expect(lines).toHaveCount(0)
})
