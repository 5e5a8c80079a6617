import { expect, test } from '@playwright/test'
import { asOwner, keptOnDevice, open } from '../support/house'
import { book } from '../support/visit'
import { alive, signIn } from '../support/walk'

test('a refused form names the field and keeps what was typed; a draft survives a reload', async ({
  page,
}) => {
  await signIn(page, 'therapist')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Rune Test')
  await page.getByLabel('E-mail').fill('at home')
  await page.getByLabel('Face width').fill('14')
  await page.getByRole('button', { name: 'Save the client' }).click()
  await expect(page.getByText('an e-mail address', { exact: true })).toBeVisible()
  await expect(page.getByText('at least 80 mm', { exact: true })).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Rune Test')
  await expect(page.getByLabel('E-mail')).toHaveValue('at home')
  await expect.poll(() => keptOnDevice(page)).toContain('at home')
  await page.reload()
  await alive(page)
  await page.getByRole('button', { name: 'Add a client' }).click()
  await expect(page.getByText('What you had typed before is back.')).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Rune Test')
  await page.getByLabel('E-mail').fill('rune@test.example')
  await page.getByLabel('Face width').fill('141')
  await page.getByRole('button', { name: 'Save the client' }).click()
  await expect(page.getByRole('heading', { name: 'Rune Test' })).toBeVisible()
})

test('signing out with something unsent asks first, and wipes the device', async ({ page }) => {
  await signIn(page, 'therapist')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Half Typed')
  await expect.poll(() => keptOnDevice(page)).toContain('Half Typed')
  await page.getByRole('button', { name: 'Close, keep the draft' }).click()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page.getByText('Something on this device is not saved yet')).toBeVisible()
  await page.getByRole('button', { name: 'Stay' }).click()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await page.getByRole('button', { name: 'Wipe and sign out' }).click()
  await page.waitForURL(/sign-in/)
  expect(await keptOnDevice(page)).toBe('[[],[]]')
  const left = await page.evaluate(async () => ({
    session: sessionStorage.length,
    local: localStorage.length,
    caches: (await caches.keys()).length,
    workers: ((await navigator.serviceWorker?.getRegistrations()) ?? []).length,
  }))
  expect(left).toEqual({ session: 0, local: 0, caches: 0, workers: 0 })
  await page.goto('/people')
  await page.waitForURL(/sign-in/)
})

test('the tablet locks, and a short code opens it where one was', async ({ page }) => {
  await signIn(page, 'owner')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Lock' }).click()
  await expect(page.getByRole('heading', { name: 'People' })).toHaveCount(0)
  await page.getByLabel('Quick code').fill('0000')
  await page.keyboard.press('Enter')
  await expect(page.getByText('The quick code does not fit.')).toBeVisible()
  await page.getByLabel('Quick code').fill('2604')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible()
})

test('a visit is added and moved, and a room or a person taken twice is seen at once', async ({
  page,
}) => {
  const day = new Date(Date.now() + 300 * 86_400_000).toISOString().slice(0, 10)
  await signIn(page, 'owner')
  await open(page, `/?date=${day}`)
  for (const [client, time] of [
    ['Odd Granmo', '10:00'],
    ['Ada Korsen', '10:30'],
  ] as const) {
    await page.getByRole('button', { name: 'Add a visit' }).click()
    await page.getByLabel('Client').fill(client)
    await page.getByRole('option', { name: client }).click()
    await page.getByLabel('Time').fill(time)
    await page.getByRole('button', { name: 'Add the visit' }).click()
    await expect(page.getByRole('article').filter({ hasText: client })).toBeVisible()
  }
  const clashes = page.getByRole('list', { name: 'Taken twice' })
  await expect(clashes.getByText(/room/i).first()).toBeVisible()
  await page
    .getByRole('article')
    .filter({ hasText: 'Ada Korsen' })
    .getByRole('button', { name: 'Move' })
    .click()
  await page.getByLabel('Time').fill('11:05')
  await page.getByRole('button', { name: 'Move the visit' }).click()
  await expect(page.getByRole('article').filter({ hasText: '11:05 Ada Korsen' })).toBeVisible()
  await expect(clashes.getByText(/clean/i).first()).toBeVisible()
  await page
    .getByRole('article')
    .filter({ hasText: 'Ada Korsen' })
    .getByRole('button', { name: 'Move' })
    .click()
  await page.getByLabel('Time').fill('14:00')
  await page.getByRole('button', { name: 'Move the visit' }).click()
  await expect(clashes).toBeHidden()
})

test('answers change the verdict as they are given, and are there again after a reload', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', 'other-7')
  await signIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  const verdict = page.getByRole('complementary', { name: 'Verdict' })
  const before = await verdict.innerText()
  await page
    .getByRole('radiogroup', { name: /pregnan/i })
    .getByLabel('Yes')
    .check({ force: true })
  await expect.poll(() => verdict.innerText()).not.toBe(before)
  await page.getByLabel("Medicines, in the client's words").fill('iron tablets')
  await expect.poll(() => keptOnDevice(page)).toContain('iron tablets')
  await page.reload()
  await alive(page)
  await expect(page.getByRole('radiogroup', { name: /pregnan/i }).getByLabel('Yes')).toBeChecked()
  await expect(page.getByLabel("Medicines, in the client's words")).toHaveValue('iron tablets')
})
