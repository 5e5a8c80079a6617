import { expect, type Cookie, type Locator, type Page } from '@playwright/test'
import { ACCOUNTS, type Who } from './accounts'

/** The page has come to life: what is tapped now is heard. */
export async function alive(page: Page): Promise<void> {
  await page.locator('html[data-ready]').waitFor({ state: 'attached' })
}

/**
 * Chooses a word from a list that opens, once more where nothing came of it: a list that scrolls to
 * what is chosen may lose a tap, as it would a person's.
 */
export async function choose(page: Page, list: string, word: string | RegExp): Promise<void> {
  const field = page.getByRole('combobox', { name: list })
  await expect(async () => {
    await field.click({ force: true })
    await page.getByRole('option', { name: word }).first().click({ timeout: 5_000 })
    const chosen = field.locator('xpath=ancestor::*[contains(@class,"v-input")][1]')
    await expect(chosen).toContainText(word, { timeout: 3_000 })
  }).toPass({ timeout: 60_000 })
}

export async function signIn(page: Page, who: Who): Promise<void> {
  await page.goto('/sign-in')
  await alive(page)
  await page.getByLabel('E-mail').fill(ACCOUNTS[who].email)
  await page.getByLabel('Password').fill(ACCOUNTS[who].password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('link', { name: 'People' })).toBeVisible()
  await page.waitForURL((url) => !url.pathname.startsWith('/sign-in'))
}

/** Of a sign-in by hand, for the tests after it. Whoever signs out, locks or lets time run does not. */
const opened = new Map<Who, Cookie[]>()
/** For a test about something else: inside already, without the way through the door. */
export async function letIn(page: Page, who: Who): Promise<void> {
  const cookies = opened.get(who)
  if (cookies) {
    await page.context().addCookies(cookies)
    return
  }
  await signIn(page, who)
  opened.set(who, await page.context().cookies())
}

export async function openVisit(page: Page, client: string): Promise<void> {
  await page.goto('/')
  await alive(page)
  // By key: a visit that runs beside it in the same room may lie over its name.
  await page.getByRole('article').filter({ hasText: client }).getByRole('link').press('Enter')
  await expect(page.getByRole('list', { name: 'Stops of the visit' })).toBeVisible()
}

export async function goTo(
  page: Page,
  stop: 'Ask' | 'Read' | 'Plan' | 'Set' | 'Treat' | 'Close',
): Promise<void> {
  await page
    .getByRole('list', { name: 'Stops of the visit' })
    .getByRole('link', { name: new RegExp(`^${stop}\\b`) })
    .click()
  await page.waitForURL(new RegExp(`/${stop.toLowerCase()}$`))
}

/** Signs by typed name, unless an earlier signature stands. */
export async function signTyped(page: Page, client: string): Promise<void> {
  if (await page.getByRole('button', { name: 'Sign again' }).isVisible()) return
  await page.getByRole('button', { name: 'All of these' }).click()
  await page.getByLabel("Client's full name").fill(client)
  await page.getByLabel('The client is here and agrees').check()
  await page.getByRole('button', { name: 'Sign the consent' }).click()
  await expect(page.getByText(`Typed by ${client}`)).toBeVisible()
}

/** A returning client with nothing new: last answers taken over, consent typed. */
export async function askAsBefore(page: Page, client: string): Promise<void> {
  await expect(page.getByRole('heading', { name: 'What for today' })).toBeVisible()
  const same = page.getByRole('button', { name: 'Same as last time' })
  if (await same.isVisible()) await same.click()
  const rest = page.getByRole('button', { name: 'No to the rest' })
  for (let left = await rest.count(); left > 0; left = await rest.count()) {
    await rest.first().click()
    await expect(rest).toHaveCount(left - 1)
  }
  for (const locator of await page
    .getByRole('listitem')
    .filter({ hasText: 'last time: yes' })
    .all())
    await locator.getByText('Yes', { exact: true }).click()
  await signTyped(page, client)
  await page.getByRole('button', { name: 'Save answers, read the skin' }).click()
  await page.waitForURL(/\/read$/)
}

export async function readAsBefore(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Start from last time' }).click()
  await page.getByRole('button', { name: 'Save reading, plan' }).click()
  await page.waitForURL(/\/plan$/)
}

export async function planAsProposed(page: Page): Promise<void> {
  const tray = page
    .getByRole('button', { name: 'Lay out the tray' })
    .or(page.getByRole('link', { name: 'Lay out the tray' }))
  await expect(tray).toBeEnabled({ timeout: 60_000 })
  await tray.click()
  await page.waitForURL(/\/set$/)
}

/** The one big button of the room. */
export const bigButton = (page: Page) => page.locator('[data-next]')

/**
 * Ends the step at hand by the big button: what it waits for is confirmed first, what it asks once
 * is answered by a second tap, the second reading is taken as it was.
 * @param ran called before each step is ended
 * @param press how a button is pressed, by mouse or by finger
 * @returns the step's name
 */
export async function nextStep(
  page: Page,
  ran: (label: string) => Promise<void> = async () => {},
  press: (where: Locator) => Promise<void> = (where) => where.click(),
): Promise<string> {
  const big = bigButton(page)
  // A sheet that closes still has its own.
  await expect(big).toHaveCount(1)
  await expect(big).toBeVisible()
  for (const first of ['End the silence', 'Firm all over', 'Seen to: begin', 'Spots clear: begin'])
    if ((await big.innerText()).startsWith(first)) {
      await press(big)
      await expect(big).not.toContainText(first)
    }
  const place = page.getByText(/^\s*step \d+ of \d+/)
  const finished = page.getByRole('heading', { name: 'Finished' })
  const before = await place.innerText()
  const name = await page.getByRole('heading', { level: 1 }).innerText()
  const last = (await big.innerText()).includes(', finish')
  await ran(name)
  await press(big)
  if (name === 'Second reading') {
    const asRead = page.getByRole('button', { name: 'As read, go on' })
    await Promise.race([asRead.waitFor(), expect(place).not.toHaveText(before)]).catch(() => {})
    if (await asRead.isVisible()) await press(asRead)
  }
  // Nobody works as fast as a test taps: what comes off too early is asked about once.
  const again = page.getByText('Tap again to end it anyway.')
  const silence = page.getByRole('region', { name: 'Silence' })
  const moved = last
    ? finished
    : page
        .getByText(/^\s*step \d+ of \d+/)
        .filter({ hasNotText: before.trim() })
        .or(silence)
  await again.or(moved).first().waitFor()
  if (await again.isVisible()) await press(big)
  if (last) await expect(finished).toBeVisible()
  else if (!(await silence.isVisible())) await expect(place).not.toHaveText(before)
  return name
}

/** Seals the record; a test taps faster than anyone works, so the house asks whether it stands. */
export async function sealIt(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Seal the record' }).click()
  const asked = page.getByRole('button', { name: 'Seal anyway' })
  await asked
    .or(page.getByText(/^\s*Seal \d+/))
    .first()
    .waitFor()
  if (await asked.isVisible()) await asked.click()
}
