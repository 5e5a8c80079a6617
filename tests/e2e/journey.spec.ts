import { expect, test } from '../support/browserTest'
import {
  askAsBefore,
  goTo,
  nextStep,
  openVisit,
  planAsProposed,
  readAsBefore,
  sealIt,
  signIn,
} from '../support/walk'

/** From the door to a sealed record, by visible labels alone, one main action at each stop. */
test('one visit, from sign-in to a sealed record', async ({ page }) => {
  const say = (what: string) => console.log(`≈ ${what}`)
  const other: string[] = []
  const wrong: string[] = []
  page.on('request', (request) => {
    const url = new URL(request.url())
    if (!url.origin.startsWith('http://127.0.0.1') && url.protocol.startsWith('http'))
      other.push(request.url())
  })
  page.on('console', (consoleMessage) => {
    if (consoleMessage.type() === 'error' || /hydration/i.test(consoleMessage.text()))
      wrong.push(consoleMessage.text())
  })
  page.on('pageerror', (error) => wrong.push(error.message))
  await signIn(page, 'owner')
  say('signed in, on Day')
  await openVisit(page, 'Signe Holmvik')
  await goTo(page, 'Ask')
  await askAsBefore(page, 'Signe Holmvik')
  say('Ask: as last time, consent typed → Save answers, read the skin')
  await readAsBefore(page)
  say('Read: from last time → Save reading, plan')
  await planAsProposed(page)
  say('Plan: as proposed → Lay out the tray')
  const start = page.getByRole('button', { name: 'Start the treatment' })
  await expect(start).toBeEnabled()
  await start.click()
  await page.waitForURL(/\/treat$/)
  say('Set: laid out → Start the treatment')
  const ran: string[] = []
  for (
    let i = 0;
    i < 60 && !(await page.getByRole('heading', { name: 'Finished' }).isVisible());
    i++
  )
    ran.push(await nextStep(page, async (name) => say(`Treat: ${name} → Done`)))
  expect(ran.length).toBeGreaterThan(8)
  expect(ran).toContain('Second reading')
  await expect(page.getByText('Every tap is saved on the server.')).toBeVisible()
  await page.getByRole('link', { name: 'Write it up' }).click()
  await page.waitForURL(/\/close$/)
  await page.getByLabel('Anything else for the record').fill('Calm skin throughout.')
  await sealIt(page)
  await expect(page.getByText(/^\s*Seal \d+ ·/)).toBeVisible()
  await expect(page.getByText('Calm skin throughout.')).toBeVisible()
  say('Close: record written from the taps → sealed')
  await page
    .getByRole('button', { name: 'Back to the day' })
    .or(page.getByRole('link', { name: 'Back to the day' }))
    .click()
  await expect(
    page.getByRole('article').filter({ hasText: 'Signe Holmvik' }).getByText('sealed'),
  ).toBeAttached()
  expect(other, 'no other host is spoken to').toEqual([])
  expect(wrong, 'nothing is complained of in the console').toEqual([])
})
