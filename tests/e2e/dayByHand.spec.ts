import { expect, test } from '../support/browserTest'
import { open } from '../support/house'
import { letIn } from '../support/walk'

test('a visit is added and moved, by hand and by keyboard; what is in the way is said and stands for a reason only', async ({
  page,
}) => {
  // A second try begins on a day of its own: the first one's visits stand where they were put.
  const ahead = 300 + 7 * test.info().retry
  const day = new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10)
  await letIn(page, 'owner')
  await open(page, `/?date=${day}`)
  const dialog = page.getByRole('dialog')
  const bandOf = (client: string) => page.getByRole('article').filter({ hasText: client })
  const begin = async (client: string) => {
    await page.getByRole('button', { name: 'Add a visit' }).click()
    await page.getByLabel('Client').fill(client)
    await page.getByRole('option', { name: client }).click()
  }
  // At a place that is offered.
  await begin('Odd Granmo')
  await dialog.getByRole('button', { name: /^10:00 Lake room/ }).click()
  await page.getByRole('button', { name: 'Add the visit' }).click()
  await expect(bandOf('Odd Granmo')).toContainText('10:00')
  // Into a taken room: refused with what is in the way, until an owner says why.
  await begin('Ada Korsen')
  await page.getByLabel('Time').fill('10:30')
  await page.getByRole('button', { name: 'Add the visit' }).click()
  await expect(dialog.getByText('The room is taken 10:00 to 11:00').first()).toBeVisible()
  await page.getByLabel('Reason for booking anyway').fill('sisters, side by side')
  await page.getByRole('button', { name: 'Add the visit' }).click()
  await expect(bandOf('Ada Korsen')).toContainText('sisters, side by side')
  const clashes = page.getByRole('list', { name: 'Double booked' })
  await expect(clashes.getByText(/room/i).first()).toBeVisible()
  // Moved in the dialog, then by hand to the other room, and taken back.
  const change = bandOf('Ada Korsen').getByRole('button', { name: 'Change Ada Korsen' })
  await change.click()
  await page.getByRole('button', { name: 'Move', exact: true }).click()
  await dialog.getByLabel('Time').fill('14:00')
  await page.getByLabel('Reason for booking anyway').waitFor({ state: 'hidden' })
  await page.getByRole('button', { name: 'Move the visit' }).click()
  await expect(bandOf('Ada Korsen')).toContainText('14:00')
  await expect(clashes).toBeHidden()
  const stove = page.getByRole('region', { name: 'Stove room' })
  await bandOf('Ada Korsen').dragTo(stove.locator('.weave'), {
    targetPosition: { x: 60, y: 62 * 7 },
  })
  await expect(page.getByRole('status').filter({ hasText: 'moved to 15:00' })).toBeVisible()
  await expect(stove.getByRole('article')).toContainText('Ada Korsen')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(stove.getByRole('article')).toHaveCount(0)
  // Dropped on taken cloth: what is in the way is said, where a reason or another time is given.
  await bandOf('Ada Korsen').dragTo(
    page.getByRole('region', { name: 'Lake room' }).locator('.weave'),
    {
      targetPosition: { x: 60, y: 62 * 2 + 4 },
    },
  )
  await expect(dialog.getByText(/The room is taken 10:00 to 11:00/).first()).toBeVisible()
  await expect(page.getByLabel('Reason for booking anyway')).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).click()
  await expect(bandOf('Ada Korsen')).toContainText('14:00')
  // Dropped on another day of the week it keeps its hour there; one step brings it back.
  const week = page.getByRole('navigation', { name: 'The week' })
  const target = week.locator('a:has(> svg):not([aria-current])').first()
  await bandOf('Ada Korsen').dragTo(target)
  await expect(page.getByRole('status').filter({ hasText: /moved to .*14:00/ })).toBeVisible()
  await expect(bandOf('Ada Korsen')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(bandOf('Ada Korsen')).toContainText('14:00')
  // The month at a glance leads to any of its days.
  await week.getByRole('button', { name: 'The month' }).click()
  const month = page.getByRole('dialog')
  await expect(month.getByRole('link').nth(27)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(month).toBeHidden()
  // Late, and on time after all, by keyboard alone.
  await change.focus()
  await page.keyboard.press('Enter')
  const late = page.getByLabel('Came late, minutes')
  await late.fill('15')
  await page.getByRole('button', { name: 'Came late' }).press('Enter')
  await expect(bandOf('Ada Korsen')).toContainText('15 min late')
  await page.getByRole('button', { name: 'Undo' }).press('Enter')
  await expect(bandOf('Ada Korsen')).not.toContainText('late')
  // It falls away, its place is open again, and it can come back to it.
  await change.press('Enter')
  await expect(page.getByRole('button', { name: 'No-show' })).toBeDisabled()
  await page.getByLabel('Reason, if known').fill('the ferry was late')
  await page.getByRole('button', { name: 'Cancel the visit' }).press('Enter')
  await expect(bandOf('Ada Korsen')).toHaveCount(0)
  const fell = page.getByRole('list', { name: 'Cancelled and no-shows' })
  await expect(fell).toContainText('cancelled: the ferry was late')
  await fell.getByRole('button', { name: 'Book Ada Korsen again' }).press('Enter')
  await expect(bandOf('Ada Korsen')).toContainText('14:00')
  await expect(fell).toBeHidden()
})
