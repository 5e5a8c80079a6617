import type { Locator, Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { asOwner } from '../support/house'
import { alive, askAsBefore, goTo, openVisit, readAsBefore, letIn } from '../support/walk'

/**
 * Takes a word from the menu of protocols, once more where nothing came of it: a menu that is laid
 * out anew under the finger loses the tap, as it would a person's.
 */
async function fromMenu(page: Page, word: string, comes: Locator): Promise<void> {
  await expect(async () => {
    if (await comes.isVisible()) return
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Protocols' }).click({ timeout: 5_000 })
    await page.getByText(word, { exact: true }).click({ timeout: 5_000 })
    await expect(comes).toBeVisible({ timeout: 15_000 })
  }).toPass({ timeout: 90_000 })
}

test('the house decides a point, keeps a plan as a protocol, plans by it, and pins a step', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await page.goto('/method')
  await alive(page)
  await page.getByLabel('Search techniques and rules').fill('needling')
  await expect(page.getByRole('heading', { name: /What never shares a visit/ })).toBeVisible()
  await page.getByRole('tab', { name: 'Schools and this practice' }).click()
  await expect(page.getByRole('row', { name: /Massage/ }).first()).toContainText(
    'Long, by hand, before the mask.',
  )
  const decide = page.getByRole('button', { name: 'Save for the practice' })
  await expect(decide).toBeDisabled()
  await page.getByRole('combobox', { name: 'Techniques not offered here' }).fill('Steam')
  await page.getByRole('option', { name: 'Steam', exact: true }).click()
  await page.getByLabel('Reason (saved under your name)').fill('the steamer is away')
  await decide.click()
  await expect(page.getByText(/the steamer is away/)).toBeVisible()

  await openVisit(page, 'Odd Granmo')
  await goTo(page, 'Ask')
  await askAsBefore(page, 'Odd Granmo')
  await readAsBefore(page)
  const step = (name: RegExp) =>
    page.getByRole('list', { name: 'Steps' }).getByRole('listitem', { name })
  await expect(step(/: Sun protection,/)).toHaveCount(1)
  await expect(step(/: Steam,/)).toHaveCount(0)
  const mask = step(/mask on,/i).first()
  await mask.click()
  await page.getByRole('button', { name: 'Pin as it is' }).click()
  await expect(page.getByRole('button', { name: 'Pinned: stays as it is' })).toBeVisible()
  await page.getByRole('button', { name: 'Propose again' }).click()
  await expect(mask.getByLabel('pinned')).toHaveCount(1)

  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  const keep = page.getByRole('dialog', { name: 'Save as a protocol' })
  await fromMenu(page, 'Save this plan as a protocol…', keep)
  await keep.getByLabel('Name').fill('Quiet oil')
  await keep.getByLabel('What changed, or what it is for').fill('thin skin, an hour at most')
  await keep.getByRole('button', { name: 'Save' }).click()
  await expect(keep).toBeHidden()
  const said = page.getByText(/By the protocol Quiet oil, version 1/)
  await fromMenu(page, 'Quiet oil', said)
  // The express one of it: what a short visit is planned by, without choosing again.
  await fromMenu(page, 'Save this plan as a protocol…', keep)
  await keep.getByRole('combobox', { name: 'Save as' }).press('ArrowDown')
  await page.getByRole('option', { name: 'The express one of Quiet oil' }).click()
  await keep.getByRole('button', { name: 'Save' }).click()
  await expect(keep).toBeHidden()
  const length = page.getByRole('combobox', { name: 'Minutes' })
  await length.fill('44')
  await length.press('Enter')
  await expect(page.getByText(/By the protocol Quiet oil, express, version 1/)).toBeVisible()
  await length.fill('60')
  await length.press('Enter')
  await expect(said).toBeVisible()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(said).toBeVisible()
  await page.getByRole('button', { name: 'Compare' }).click()
  await expect(page.getByRole('heading', { name: /Against the last visit/ })).toBeVisible({
    timeout: 30_000,
  })
  await page.getByRole('button', { name: 'Close' }).last().click()

  await page.goto('/method')
  await alive(page)
  await page.getByRole('tab', { name: 'Protocols' }).click()
  const own = page
    .locator('section')
    .filter({ hasText: 'Quiet oil' })
    .filter({ hasNotText: 'express' })
  await expect(own).toContainText('the first version')
  await own.getByRole('button', { name: 'Stop offering' }).click()
  await expect(own).toContainText('no longer offered')
})

test.afterEach(async () => {
  const owner = await asOwner()
  await owner('/api/policy', {
    method: 'PUT',
    body: {
      id: crypto.randomUUID(),
      policy: { camps: {}, without: [] },
      reason: 'back to the school',
    },
  })
})
