import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { asOwner, open, plannedVisit, runningVisit } from '../support/house'
import { book, someone } from '../support/visit'
import { letIn } from '../support/walk'

/** What has the focus, in a word; the page's body has it when it fell. */
const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: own } = document
    if (!own || own === document.body) return 'body'
    return own.id === 'main' ? 'main' : (own.getAttribute('aria-label') ?? own.textContent ?? '')
  })
const goesOn = async (page: Page, after: string) =>
  expect.poll(() => focused(page), { message: after }).not.toBe('body')
/** By keyboard, as somebody would who does not use a pointer. */
async function press(page: Page, name: string | RegExp) {
  const button = page.getByRole('button', { name }).first()
  // Nobody's focus stands on a button that is not to be pressed yet.
  await expect(button).toBeEnabled()
  await button.focus()
  await page.keyboard.press('Enter')
  await goesOn(page, String(name))
}

test('after every action of a visit the focus is where the hand goes on, never on the page itself', async ({
  page,
}) => {
  await letIn(page, 'owner')
  const owner = await asOwner()
  const id = await book(owner, 'owner', await someone(owner))
  await open(page, `/visits/${id}/ask`)
  await press(page, 'No to the rest')
  await press(page, 'All of these')
  await page.getByLabel("Client's full name").fill('A Client')
  await page.getByLabel('The client is here and agrees').check()
  await press(page, 'Sign the consent')
  await expect(page.getByText('Typed by A Client')).toBeVisible()
  await goesOn(page, 'signed')

  const planned = await plannedVisit('other-6')
  await open(page, `/visits/${planned}/plan`)
  await press(page, 'Lay out the tray')
  await page.waitForURL(/\/set$/)
  await goesOn(page, 'to Set')
  await press(page, 'Start the treatment')
  await page.waitForURL(/\/treat$/)
  await goesOn(page, 'to Treat')
})

test('in the room the focus goes back to the one big button', async ({ page }) => {
  const running = await runningVisit('other-11')
  await letIn(page, 'owner')
  await open(page, `/visits/${running}/treat`)
  await page.keyboard.press('n')
  await expect(page.getByRole('dialog')).toBeVisible()
  await goesOn(page, 'in the sheet')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect
    .poll(() => page.evaluate(() => document.activeElement?.hasAttribute('data-next') ?? false))
    .toBe(true)
})

test('a dialog that closes gives the focus back to what opened it', async ({ page }) => {
  await letIn(page, 'owner')
  await open(page, '/people')
  const opener = page.getByRole('button', { name: 'Add a client' })
  await opener.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.getByRole('button', { name: 'Close, keep the draft' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(opener).toBeFocused()
})

test('a connection lost and found is said aloud, once each', async ({ page }) => {
  const id = await runningVisit('other-24')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByRole('timer')).toBeVisible()
  const said = (words: RegExp) => page.getByRole('status').filter({ hasText: words })
  await page.context().setOffline(true)
  await page.keyboard.press('h')
  await expect(said(/^No connection\. Every tap is kept/)).toHaveCount(1)
  await page.context().setOffline(false)
  await expect(said(/^Connected again/)).toHaveCount(1)
})
