import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import postgres from 'postgres'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { momentsOf } from '#core/treatment/order/moments'
import type { TreatmentEvent } from '#core/treatment/taps/events'
import { toMilliseconds } from '#core/units'
import { GROUPS } from '#core/face/regions'
import { asOwner, open, plannedVisit, runningVisit } from '../support/house'
import { withSteps, type Wanted } from '../support/ownPlan'
import { bundleOf } from '../support/visit'
import { recordEqualsTaps } from '../support/whatWasDone'
import { bigButton, letIn, signIn } from '../support/walk'

const eventsOf = async (id: string): Promise<TreatmentEvent[]> =>
  (await bundleOf(await asOwner(), id)).events
const finished = (page: Page) => page.getByRole('heading', { name: 'Finished' })
const ended = (events: readonly TreatmentEvent[]) =>
  events.flatMap(({ body }) => (body.kind === 'stepDone' ? [...(body.with ?? []), body.key] : []))
/** What the room asks for now: its step, its big button, what it says and what is open. */
const asks = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('h1,[data-next],.now [role=alert],.v-overlay--active h2')]
      .map((own) => (own as HTMLElement).innerText)
      .join('|'),
  )
/** The same once it stands still: nothing is tapped that is just going. */
async function settled(page: Page): Promise<string> {
  for (let before = await asks(page); ;) {
    await page.waitForTimeout(250)
    const now = await asks(page)
    if (now === before) return now
    before = now
  }
}
/** Presses until the visit is over; each press has to lead somewhere. */
async function press(page: Page, once: () => Promise<void>): Promise<number> {
  for (let presses = 0; presses <= 80; presses++) {
    const before = await settled(page)
    if (await finished(page).isVisible()) return presses
    await once()
    await expect.poll(() => asks(page)).not.toBe(before)
    if (before.includes(', finish')) await expect(finished(page)).toBeVisible()
  }
  throw new Error('no end of it')
}

test('the rower is treated with a foot switch alone, one press a step', async ({ page }) => {
  await letIn(page, 'owner')
  await open(page, '/tablet')
  await page.getByRole('button', { name: 'Learn its key' }).click()
  await page.keyboard.press('PageDown')
  await expect(page.getByText('It sends the key PageDown.')).toBeVisible()
  await page.keyboard.press('PageDown')
  await expect(page.getByText('Heard 1 time.')).toBeVisible()
  const id = await runningVisit('rower')
  await open(page, `/visits/${id}/treat`)
  await expect(bigButton(page)).toBeVisible()
  const presses = await press(page, () => page.keyboard.press('PageDown'))
  await expect(page.getByText('Every tap is saved on the server.')).toBeVisible()
  const bundle = await bundleOf(await asOwner(), id)
  const plan = bundle.plans.find(({ version }) => version === 1)?.steps ?? []
  const moments = momentsOf(plan)
  // Everything was done, each step once and in its order, with the ticks inside it.
  expect(ended(bundle.events)).toEqual(plan.map(({ key }) => key))
  recordEqualsTaps(bundle)
  const steps = bundle.events.filter(({ body }) => body.kind === 'stepDone').length
  expect(steps).toBe(moments.length)
  console.log(`≈ ${plan.length} steps of the plan, ${moments.length} on screen, ${presses} presses`)
  // One press a step; the reading has one more, and what comes off sooner than it may is asked once, as
  // is the end of what fills the hands before its time is up.
  const reading = moments.some(({ main }) => main.technique === 'secondReading') ? 1 : 0
  const early = moments.filter(
    ({ main: { technique } }) =>
      technique === 'maskOff' || TECHNIQUES[technique].fillsFrom !== undefined,
  ).length
  expect(presses).toBeLessThanOrEqual(moments.length + reading + early)
})

/** Twelve main steps of a plain hour, with the ticks that lie between them. */
const PLAIN_HOUR: readonly Wanted[] = [
  ['settle'],
  ['eyesOff'],
  ['milk'],
  ['secondReading'],
  ['secondCleanse'],
  ['grain', GROUPS.faceNoEyes],
  ['rinse', GROUPS.faceNoEyes],
  ['blot', GROUPS.face],
  ['creamMask', GROUPS.faceNoEyes],
  ['maskOff', GROUPS.faceNoEyes],
  ['tone'],
  ['mist'],
  ['serum'],
  ['wait'],
  ['moisturiser'],
  ['sunProtection'],
  ['close'],
]

test('a plain hour of twelve main steps takes at most fourteen taps with start and finish', async ({
  page,
}) => {
  const id = await plannedVisit('other-25')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/set`)
  await page.getByRole('button', { name: 'Start the treatment' }).click()
  await expect(bigButton(page)).toBeVisible()
  let taps = 1
  const steps = await withSteps(id, PLAIN_HOUR)
  await page.reload()
  await expect(page.getByText(/step 1 of 12/)).toBeVisible()
  expect(momentsOf(steps)).toHaveLength(12)
  const heading = page.getByRole('heading', { level: 1 })
  while (!(await finished(page).isVisible())) {
    await settled(page)
    if ((await heading.innerText()) === 'Mask off') {
      // The mask has its minutes: nobody takes it off as fast as a test taps.
      const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1 })
      await db`update visit_events set at = at - ${toMilliseconds(12)} where visit_id = ${id}`
      await db.end()
      await page.reload()
      await settled(page)
    }
    const before = await asks(page)
    const sheet = page.locator('.v-overlay--active [data-next]')
    await sheet.or(bigButton(page)).last().click()
    taps++
    await expect.poll(() => asks(page)).not.toBe(before)
  }
  console.log(`≈ 12 main steps, ${steps.length} with their ticks: ${taps} taps`)
  expect(taps).toBeLessThanOrEqual(14)
  await expect(page.getByText('Every tap is saved on the server.')).toBeVisible()
  recordEqualsTaps(await bundleOf(await asOwner(), id))
})

test.describe('on an upright tablet', () => {
  test.use({ viewport: { width: 800, height: 1280 }, hasTouch: true })
  test('a visit is treated by touch alone: a slip is taken back, an amount and a swap are tapped', async ({
    page,
  }) => {
    const id = await runningVisit('other-14')
    await letIn(page, 'owner')
    await open(page, `/visits/${id}/treat`)
    await page.evaluate(() => {
      addEventListener('keydown', () => (document.title = 'a key was used'))
    })
    await expect(bigButton(page)).toBeVisible()
    const heading = page.getByRole('heading', { level: 1 })
    const first = await heading.innerText()
    await bigButton(page).tap()
    await expect(heading).not.toHaveText(first)
    await page.getByRole('button', { name: 'Step back' }).tap()
    await expect(heading).toHaveText(first)
    await bigButton(page).tap()
    await expect(heading).not.toHaveText(first)
    await page
      .getByRole('button', { name: /^More of/ })
      .first()
      .tap()
    await expect(page.getByText(/planned/).first()).toBeVisible()
    await page.getByRole('button', { name: 'Not yet' }).tap()
    await expect(page.getByRole('heading', { name: 'Not yet' })).toBeVisible()
    await page.getByRole('button', { name: 'enough for this skin' }).tap()
    await press(page, async () => {
      const next = page.locator('.v-overlay--active [data-next]').or(bigButton(page)).last()
      await next.tap()
    })
    const events = await eventsOf(id)
    const kinds = events.map(({ body }) => body.kind)
    for (const kind of ['takenBack', 'amountTaken', 'notYet'] as const)
      expect(kinds).toContain(kind)
    const bundle = await bundleOf(await asOwner(), id)
    recordEqualsTaps(bundle)
    const plan = bundle.plans.find(({ version }) => version === 1)
    const before = events.findIndex(({ body }) => body.kind === 'takenBack')
    const counted = ended(events.slice(before))
    expect(counted).toEqual(plan?.steps.map(({ key }) => key))
    expect(
      events.some(
        ({ body }) => body.kind === 'stepDone' && body.because === 'enough for this skin',
      ),
    ).toBe(true)
    expect(await page.title()).not.toBe('a key was used')
  })
})

test.describe('out of reach of the house', () => {
  test.use({ serviceWorkers: 'allow' })
  test('eleven minutes and a reload in the middle: the record says what was done and when', async ({
    page,
    context,
  }) => {
    const id = await runningVisit('other-15')
    const away = toMilliseconds(11)
    const start = Date.now()
    await page.clock.install({ time: start })
    await signIn(page, 'owner')
    await open(page, `/visits/${id}/treat`)
    await expect(bigButton(page)).toBeVisible()
    await expect.poll(async () => (await eventsOf(id)).length).toBeGreaterThan(0)
    await page.evaluate(() => navigator.serviceWorker.ready)
    // The treatment began twelve minutes ago, and the tablet's clock goes back to where it loses
    // the house: what follows are the eleven minutes until now.
    const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1 })
    await db`update visit_events set at = at - ${toMilliseconds(12)} where visit_id = ${id}`
    await db.end()
    await page.reload()
    await expect(bigButton(page)).toBeVisible()
    await expect
      .poll(() => page.evaluate(async () => (await caches.keys()).length))
      .toBeGreaterThan(0)
    await page.waitForTimeout(2500)
    await context.setOffline(true)
    await page.clock.setSystemTime(Date.now() - away)
    const place = page.getByText(/^\s*step \d+ of/)
    const tapped: number[] = []
    const minute = async (minutes: number) => {
      const was = await place.innerText()
      await page.clock.fastForward(toMilliseconds(minutes))
      tapped.push(await page.evaluate(() => Date.now()))
      await bigButton(page).click()
      const asRead = page.getByRole('button', { name: 'As read, go on' })
      const on = page.getByText(/^\s*step \d+ of/).filter({ hasNotText: was.trim() })
      await asRead.or(on).first().waitFor()
      if (await asRead.isVisible()) await asRead.click()
      await expect(place).not.toHaveText(was)
    }
    await minute(2)
    await minute(3)
    await expect(page.getByText(/2 taps kept here/)).toBeVisible()
    const here = await place.innerText()
    await page.reload()
    await expect(place).toHaveText(here)
    await expect(page.getByText(/2 taps kept here/)).toBeVisible()
    await page.clock.setSystemTime(Date.now() - away + toMilliseconds(5))
    await minute(6)
    await context.setOffline(false)
    await page.clock.setSystemTime(Date.now())
    await expect(page.getByText('saved, all taps sent')).toBeVisible({ timeout: 60_000 })
    await expect
      .poll(async () => (await eventsOf(id)).filter(({ body }) => body.kind === 'stepDone').length)
      .toBe(3)
    const ends = (await eventsOf(id)).filter(({ body }) => body.kind === 'stepDone')
    expect(new Set(ends.map((tap) => tap.id)).size).toBe(3)
    const between = ends.slice(1).map((tap, place) => tap.at - (ends[place]?.at ?? 0))
    expect(Math.abs((between[0] ?? 0) - toMilliseconds(3))).toBeLessThan(20_000)
    expect(Math.abs((between[1] ?? 0) - toMilliseconds(6))).toBeLessThan(20_000)
    expect(tapped).toHaveLength(3)
    recordEqualsTaps(await bundleOf(await asOwner(), id))
  })
})
