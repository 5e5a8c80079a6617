import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '../support/browserTest'
import { asOwner, keptOnDevice, open } from '../support/house'
import { book, bundleOf, someone } from '../support/visit'
import { choose, letIn } from '../support/walk'

test('the meters: a reading is taken on a zone, kept, and its typology angle said', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', 'other-17')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/read`)
  await page.getByText('Meters').click()
  for (const meter of ['hydration', 'L*', 'b*']) {
    await choose(page, 'Meter', meter)
    await page.getByRole('button', { name: 'Take the reading' }).click()
    await expect(
      page.getByText(new RegExp(`Forehead, ${meter.replace('*', '\\*')} [\\d.]+`)),
    ).toBeVisible()
  }
  await expect(page.getByText(/ITA \d+°/)).toBeVisible()
  expect((await bundleOf(await asOwner(), id)).meters.today).toHaveLength(3)
})

test('a returning client with nothing new is through Ask in eight taps or fewer', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', 'rower')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  let taps = 0
  const tap = async (name: RegExp | string, role: 'button' | 'checkbox' = 'button') => {
    taps++
    await page.getByRole(role, { name }).first().click()
  }
  await tap('Same as last time')
  for (
    let left = await page.getByRole('button', { name: 'No to the rest' }).count();
    left > 0;
    left = await page.getByRole('button', { name: 'No to the rest' }).count()
  )
    await tap('No to the rest')
  // A signature that still stands is not asked for again.
  if (!(await page.getByRole('button', { name: 'Sign again' }).isVisible())) {
    await tap('All of these')
    await page.getByLabel("Client's full name").fill('Ada Korsen')
    await tap(/client is here and agrees/, 'checkbox')
    await tap('Sign the consent')
    await expect(page.getByText('Typed by Ada Korsen')).toBeVisible()
  }
  await tap('Save answers, read the skin')
  await page.waitForURL(/\/read$/)
  console.log(`≈ a returning client with nothing new: ${taps} taps through Ask`)
  expect(taps).toBeLessThanOrEqual(8)
})

test('a new client is asked and read by keyboard alone', async ({ page }) => {
  const id = await book(await asOwner(), 'owner', await someone(await asOwner(), 'Someone New'))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  /** Walks with Tab until what is focused is called so. */
  const to = async (name: RegExp) => {
    for (let i = 0; i < 200; i++) {
      await page.keyboard.press('Tab')
      const here = await page.evaluate(() => {
        const focused = document.activeElement as HTMLInputElement | null
        if (!focused || (focused as HTMLElement) === document.body) return ''
        const named = focused.getAttribute('aria-label') ?? ''
        const label = focused.labels?.[0]?.textContent ?? ''
        return `${named} ${label} ${focused.textContent ?? ''}`
      })
      if (name.test(here)) return
    }
    throw new Error(`${String(name)} is not reached with Tab`)
  }
  for (let i = 0; i < 4; i++) {
    await to(/No to the rest/)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('button', { name: 'No to the rest' })).toHaveCount(0)
  await to(/All of these/)
  await page.keyboard.press('Enter')
  await to(/full name/)
  await page.keyboard.type('Someone New')
  await to(/agrees/)
  await page.keyboard.press('Space')
  await to(/Sign the consent/)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Typed by Someone New')).toBeVisible()
  await page.keyboard.press('Control+Home')
  await to(/Save answers/)
  await page.keyboard.press('Enter')
  await page.waitForURL(/\/read$/)
  for (const what of ['Oil', 'Water', 'Redness', 'Congestion', 'Sensitivity']) {
    await page.getByRole('radio', { name: new RegExp(`^${what}`) }).focus()
    await page.keyboard.press('Space')
    await page.keyboard.press('1')
    await to(/on every open zone/)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByText('every zone read')).toBeVisible()
  // The face is one stop of the tab key; arrows go from zone to zone.
  const stop = page.locator('svg.face[role=group] [data-zone][tabindex="0"]')
  await expect(stop).toHaveCount(1)
  const first = await stop.getAttribute('data-zone')
  await stop.focus()
  await page.keyboard.press('ArrowDown')
  await expect(stop).toBeFocused()
  expect(await stop.getAttribute('data-zone')).not.toBe(first)
  await to(/Save reading/)
  await page.keyboard.press('Enter')
  await page.waitForURL(/\/plan$/)
})

test('a client fills in the form on their own device, once, and the therapist takes it line by line', async ({
  page,
  browser,
}) => {
  const id = await book(await asOwner(), 'owner', 'other-19')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  await page.getByRole('button', { name: 'Make a link' }).click()
  const link = await page.getByLabel('The link, shown once').inputValue()
  const theirs = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const phone = await theirs.newPage()
  const asked: string[] = []
  phone.on('request', (request) => asked.push(request.url()))
  await phone.goto(link)
  await expect(phone.getByRole('heading', { name: 'Before your visit' })).toBeVisible()
  await expect(phone.getByText('How are you today')).toBeVisible()
  expect(phone.url()).not.toContain('#')
  expect(
    (await new AxeBuilder({ page: phone }).analyze()).violations.map((violation) => violation.id),
  ).toEqual([])
  // Each target takes a thumb.
  expect(
    await phone.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('.says label, button, a[href]')]
        .filter((own) => own.offsetParent !== null && own.getBoundingClientRect().height < 43.5)
        .map((own) => `${own.innerText} ${own.getBoundingClientRect().height}`),
    ),
  ).toEqual([])
  expect(
    asked.some((url) => url.includes(link.split('#')[1] ?? 'x')),
    'the secret is in no address that is asked for',
  ).toBe(false)
  expect(
    await phone.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    ),
  ).toBeLessThanOrEqual(0)
  await phone
    .getByRole('radiogroup', { name: /asthma/i })
    .getByText('Yes', { exact: true })
    .click()
  await phone
    .getByRole('radiogroup', { name: /fever/i })
    .first()
    .getByText('No', { exact: true })
    .click()
  await phone.getByLabel('Medicines, in your own words').fill('a spray, when needed')
  await expect(phone.getByText(/^2 of \d+ questions answered/)).toBeVisible()
  // A reload opens the same form again, with what was typed.
  await phone.reload()
  await expect(phone.getByLabel('Medicines, in your own words')).toHaveValue('a spray, when needed')
  // What is open is asked about once.
  await phone.getByRole('button', { name: 'Send to the practice' }).click()
  await expect(phone.getByText('Your therapist will ask about the rest.')).toBeVisible()
  await phone.getByRole('button', { name: 'Send anyway' }).click()
  await expect(phone.getByText('Nothing is stored on this device.')).toBeVisible()
  expect(await keptOnDevice(phone)).toBe('[[],[]]')
  await phone.goto('about:blank')
  await phone.goto(link)
  await expect(phone.getByText('The answers were sent already.')).toBeVisible()
  await theirs.close()
  await open(page, `/visits/${id}/ask`)
  await page.getByRole('button', { name: 'Accept asthma' }).click()
  await page.getByRole('button', { name: 'Accept medicines' }).click()
  await expect(page.getByRole('radiogroup', { name: /asthma/i }).getByLabel('Yes')).toBeChecked()
  await expect(page.getByLabel("Medicines, in the client's words")).toHaveValue(
    'a spray, when needed',
  )
  await expect(page.getByRole('complementary', { name: 'Verdict' })).toContainText(/steam 3 min/i)
})
