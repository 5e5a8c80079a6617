import { expect, test } from '../support/browserTest'
import { TOTP } from 'otpauth'
import { ACCOUNTS } from '../support/accounts'
import { asOwner, keptOnDevice, open } from '../support/house'
import { book } from '../support/visit'
import { alive, letIn, signIn } from '../support/walk'

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
  await expect.poll(() => keptOnDevice(page)).toContain('staffId')
  expect(await keptOnDevice(page), 'kept locked').not.toContain('at home')
  await page.reload()
  await alive(page)
  await page.getByRole('button', { name: 'Add a client' }).click()
  await expect(page.getByText('Your unsaved entries are back.')).toBeVisible()
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
  await expect.poll(() => keptOnDevice(page)).toContain('staffId')
  expect(await keptOnDevice(page)).not.toContain('Half Typed')
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
  await expect(page.getByText('The quick code is wrong.')).toBeVisible()
  await page.getByLabel('Quick code').fill('2604')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible()
})

test('a tablet that nobody touches locks itself, out of reach of the house too; a colleague sees no draft', async ({
  page,
  context,
}) => {
  await page.clock.install()
  await signIn(page, 'therapist')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Left Lying')
  await expect.poll(() => keptOnDevice(page)).toContain('staffId')
  await context.setOffline(true)
  await page.clock.fastForward('11:00')
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible()
  await expect(page.getByText('Left Lying')).toHaveCount(0)
  await context.setOffline(false)
  await page.clock.fastForward('00:10')
  await expect.poll(async () => (await page.request.get('/api/people')).status()).toBe(423)

  // Somebody else takes the tablet: nothing of it is there for them.
  await context.clearCookies()
  await signIn(page, 'owner')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
  await context.clearCookies()

  // Whoever typed it has it back.
  await signIn(page, 'therapist')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Left Lying')
})

const HALF_MINUTE_MS = 30_000
test('a second factor is set up, asked for at the door, and ended again', async ({ page }) => {
  await signIn(page, 'trainee')
  await open(page, '/you')
  await page.getByLabel('Your password, for the second factor').fill(ACCOUNTS.trainee.password)
  await page.getByRole('button', { name: 'Set up' }).click()
  await expect(page.getByRole('img', { name: 'QR code of the secret' })).toBeVisible()
  const secret = (await page.getByText('Or type it in:').textContent())?.split(':')[1]?.trim() ?? ''
  // Each code once: of this half minute, or of the one after where this one's is used up.
  let used = 0
  const freshCode = () => {
    used = Math.max(used + 1, Math.floor(Date.now() / HALF_MINUTE_MS))
    return new TOTP({ secret }).generate({ timestamp: used * HALF_MINUTE_MS })
  }
  await page.getByLabel('Six digits').fill(freshCode())
  await page.getByRole('button', { name: 'Confirm' }).click()
  const recovery = (await page.locator('.codes li').first().textContent()) ?? ''
  await page.getByRole('button', { name: 'I have written them down' }).click()
  await expect(page.getByText('You have one: signing in asks')).toBeVisible()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await page.waitForURL(/sign-in/)

  const enter = async () => {
    await page.getByLabel('E-mail').fill(ACCOUNTS.trainee.email)
    await page.getByLabel('Password').fill(ACCOUNTS.trainee.password)
    await page.getByRole('button', { name: 'Sign in' }).click()
  }
  await alive(page)
  await enter()
  await page.getByLabel('Six digits').fill('000 000')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('The code is wrong, or was used already.')).toBeVisible()
  await page.getByLabel('Six digits').fill(freshCode())
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('link', { name: 'People' })).toBeVisible()
  await open(page, '/you')
  await page.getByLabel('Your password, for the second factor').fill(ACCOUNTS.trainee.password)
  await page.getByLabel('Six digits, or a recovery code').fill(recovery)
  await page.getByRole('button', { name: 'Turn off' }).click()
  await expect(page.getByText('None yet. Sign-in will also need')).toBeVisible()
})

test('a visit that is added on another day is shown on that day', async ({ page }) => {
  const on = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
  await letIn(page, 'owner')
  await open(page, `/?date=${on(330)}`)
  await page.getByRole('button', { name: 'Add a visit' }).click()
  await page.getByLabel('Client').fill('Odd Granmo')
  await page.getByRole('option', { name: 'Odd Granmo' }).click()
  await page.getByRole('dialog').getByLabel('Day', { exact: true }).fill(on(331))
  await page.getByLabel('Time').fill('11:00')
  const place = page.getByLabel('Reason for booking anyway')
  await page.getByRole('button', { name: 'Add the visit' }).click()
  // Outside the hours of a day it asks why, once.
  const band = page.getByRole('article').filter({ hasText: 'Odd Granmo' })
  await expect(place.or(band).first()).toBeVisible()
  if (await place.isVisible()) {
    await place.fill('on her way')
    await page.getByRole('button', { name: 'Add the visit' }).click()
  }
  await expect(band).toContainText('11:00')
  await expect(page).toHaveURL(new RegExp(`date=${on(331)}`))
})

test('a day is typed as people write it, or chosen from a calendar; a time by 24 hours', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  const born = page.getByLabel('Born', { exact: true })
  for (const [typed, shown] of [
    ['3.2.88', '3 Feb 1988'],
    ['1988-02-03', '3 Feb 1988'],
    ['4 feb 1988', '4 Feb 1988'],
  ] as const) {
    await born.fill(typed)
    await born.blur()
    await expect(born).toHaveValue(shown)
  }
  await born.fill('31.2.1988')
  await born.blur()
  await expect(page.getByText('A day like 30.11.2026, day first.')).toBeVisible()
  await expect(born).toHaveValue('31.2.1988')
  await born.fill('5.2.1988')
  await born.blur()
  await page.getByRole('button', { name: 'Born: calendar' }).click()
  await page
    .getByRole('button', { name: /^\w+ 16 February 1988|^16$|February 16, 1988/ })
    .first()
    .click()
  await expect(born).toHaveValue('16 Feb 1988')
  await page.getByRole('button', { name: 'Discard' }).click()

  await open(page, '/')
  await page.getByRole('button', { name: 'Add a visit' }).click()
  const time = page.getByLabel('Time')
  for (const [typed, shown] of [
    ['9', '09:00'],
    ['14.30', '14:30'],
    ['930', '09:30'],
  ] as const) {
    await time.fill(typed)
    await time.blur()
    await expect(time).toHaveValue(shown)
  }
  await time.fill('25:00')
  await time.blur()
  await expect(page.getByText('A time like 14:30.')).toBeVisible()
})

test('a form that opens begins at its first field, and takes the caret from no other', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/people')
  const name = page.getByLabel('Name', { exact: true })
  await page.getByRole('button', { name: 'Add a client' }).click()
  await expect(name).toBeFocused()
  await page.getByRole('button', { name: 'Discard' }).click()
  await expect(name).toBeHidden()
  // A hand that is quicker than the form: at its own field in the first frame that shows it.
  const at = await page.evaluate(async () => {
    const frame = () => new Promise((done) => requestAnimationFrame(done))
    const field = () =>
      [...document.querySelectorAll('input')].find((own) =>
        own.labels?.[0]?.textContent?.startsWith('Born'),
      )
    const opens = [...document.querySelectorAll('button')]
    opens.find((own) => own.textContent?.trim() === 'Add a client')?.click()
    for (let frames = 0; frames < 600 && document.activeElement !== field(); frames += 1) {
      await frame()
      field()?.focus()
    }
    const own = document.activeElement
    for (let frames = 0; frames < 60; frames += 1) await frame()
    return own === field() && document.activeElement === own
  })
  expect(at, 'the caret stays where the hand has put it').toBe(true)
})

test('answers change the verdict as they are given, and are there again after a reload', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', 'other-7')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  const verdict = page.getByRole('complementary', { name: 'Verdict' })
  const before = await verdict.innerText()
  await page
    .getByRole('radiogroup', { name: /pregnan/i })
    .getByLabel('Yes')
    .check({ force: true })
  await expect.poll(() => verdict.innerText()).not.toBe(before)
  await expect.poll(() => keptOnDevice(page)).toContain('staffId')
  const kept = await keptOnDevice(page)
  await page.getByLabel("Medicines, in the client's words").fill('iron tablets')
  await expect.poll(() => keptOnDevice(page)).not.toBe(kept)
  await page.reload()
  await alive(page)
  await expect(page.getByRole('radiogroup', { name: /pregnan/i }).getByLabel('Yes')).toBeChecked()
  await expect(page.getByLabel("Medicines, in the client's words")).toHaveValue('iron tablets')
})
