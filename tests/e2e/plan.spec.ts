import AxeBuilder from '@axe-core/playwright'
import type { Locator, Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { asOwner, open, plannedVisit } from '../support/house'
import { bundleOf } from '../support/visit'
import { letIn } from '../support/walk'

/** The strip of a visit that is ready to be changed, its steps, and their names as they stand. */
async function openStrip(page: Page, client: string) {
  const id = await plannedVisit(client)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/plan`)
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem')
  await expect(steps.first()).toBeVisible()
  const names = () =>
    steps.evaluateAll((rows) =>
      rows.map((event) =>
        (event.getAttribute('aria-label') ?? '').replace(/^[\d.]+ min: |, [\d.]+ min\..*$/g, ''),
      ),
    )
  return { id, steps, names, before: await names() }
}

declare global {
  // How far what stands on the page has moved by itself.
  var shifted: number
}
function watchShifts() {
  globalThis.shifted = 0
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries())
      if ('value' in entry && !(entry as { hadRecentInput?: boolean }).hadRecentInput)
        globalThis.shifted += Number(entry.value)
  }).observe({ type: 'layout-shift', buffered: true })
}
/** A desk, a small one, and a tablet upright. */
const SIZES = [
  [1280, 800],
  [1024, 768],
  [800, 1280],
] as const

/** Takes a step by its middle and lets it go on another one's end. */
async function drag(page: Page, from: Locator, to: Locator) {
  const [start, end] = [await from.boundingBox(), await to.boundingBox()]
  if (!start || !end) throw new Error('nothing to drag')
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2)
  await page.mouse.down()
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 14 })
  await page.mouse.move(end.x + end.width - 4, end.y + end.height / 2, { steps: 6 })
  await page.mouse.up()
}

test('the strip by keyboard: move, lengthen, take out, undo; what breaks a rule says so and is mended in one tap', async ({
  page,
}) => {
  const { steps, names, before } = await openStrip(page, 'other-5')
  await steps.nth(1).focus()
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(names).toEqual([before[0], before[2], before[1], ...before.slice(3)])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toEqual(before)
  await steps.nth(2).focus()
  const minutes = async () =>
    Number(/, ([\d.]+) min\./.exec((await steps.nth(2).getAttribute('aria-label')) ?? '')?.[1])
  const longer = await minutes()
  await page.keyboard.press('+')
  await expect.poll(minutes).toBe(longer + 0.5)
  await page.keyboard.press('Delete')
  await expect(steps).toHaveCount(before.length - 1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(steps).toHaveCount(before.length)
  // Sun protection before everything else: the strip objects, and offers the way out.
  await steps.filter({ has: page.getByText('Sun protection', { exact: true }) }).focus()
  for (let i = 0; i < 5; i++) await page.keyboard.press('Alt+ArrowUp')
  const objecting = steps.filter({ has: page.getByRole('button') }).first()
  const mend = objecting.getByRole('button').first()
  await expect(mend).toBeVisible()
  const said = ((await objecting.getAttribute('aria-label')) ?? '').replace(/^[\d.]+ min: /, '')
  await mend.click()
  await expect
    .poll(() =>
      steps.evaluateAll((rows) =>
        rows.map((event) => (event.getAttribute('aria-label') ?? '').replace(/^[\d.]+ min: /, '')),
      ),
    )
    .not.toContain(said)
  await expect(page.getByText('no product chosen')).toHaveCount(0)
})

test('on a slow line one keeping waits for the other: nobody is taken for a colleague', async ({
  page,
}) => {
  const { id, steps, names, before } = await openStrip(page, 'other-7')
  // The first plan arrives late, after the next one would have been sent.
  let slow = 0
  await page.route(`**/api/visits/${id}/plan`, async (route) => {
    if (route.request().method() === 'PUT' && slow++ === 0) await page.waitForTimeout(2500)
    await route.continue()
  })
  await steps.nth(1).focus()
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(() => slow).toBe(1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toEqual(before)
  await steps.nth(2).focus()
  await page.keyboard.press('Delete')
  await expect(steps).toHaveCount(before.length - 1)
  await expect.poll(() => slow).toBeGreaterThan(1)
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await expect(page.getByText(/A colleague has changed this plan/)).toHaveCount(0)
  await expect(steps).toHaveCount(before.length - 1)
  const { plans } = await bundleOf(await asOwner(), id)
  expect(plans.find(({ version }) => version === 0)?.steps).toHaveLength(before.length - 1)
})

test('the strip by mouse: drag a step, open it, change its minutes, add a step', async ({
  page,
}) => {
  const { id, steps, names, before } = await openStrip(page, 'other-6')
  await drag(page, steps.nth(2), steps.nth(4))
  await expect.poll(names).not.toEqual(before)
  expect([...(await names())].sort()).toEqual([...before].sort())
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toEqual(before)
  await steps.nth(3).click()
  const aside = page.getByRole('complementary', { name: 'Step and skin' })
  await aside.getByLabel('Minutes').fill('3.5')
  await aside.getByLabel('Minutes').press('Tab')
  await expect(steps.nth(3)).toHaveAttribute('aria-label', /3.5 min/)
  await page.getByLabel('Add a step').click()
  await page.getByRole('option', { name: 'Setting clay on' }).click()
  // A mask comes with what makes ready for it, its rest and its way off.
  await expect.poll(async () => (await names()).indexOf('Setting clay on')).toBeGreaterThan(0)
  expect((await names()).filter((name) => name === 'Mask off')).toHaveLength(
    before.filter((name) => name === 'Mask off').length + 1,
  )
  // What is on the screen is what the house holds, once it breaks no rule.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect
    .poll(
      async () =>
        (await bundleOf(await asOwner(), id)).plans
          .find((plan) => plan.version === 0)
          ?.steps.find((step) => step.minutes === 3.5) !== undefined,
    )
    .toBe(true)
})

test('a step is dragged into another part of the visit; small ones are shown in full; nothing jumps or is cut', async ({
  page,
}) => {
  await page.addInitScript(watchShifts)
  const { steps, names, before } = await openStrip(page, 'other-10')
  await expect(page.getByRole('heading', { name: 'Left out' })).toBeVisible()
  await expect.poll(() => page.evaluate(() => globalThis.shifted)).toBeLessThanOrEqual(0.02)

  const tone = before.findIndex((name) => name.startsWith('Tone'))
  const last = before.length - 1
  await drag(page, steps.nth(tone), steps.nth(last))
  await expect.poll(async () => (await names()).indexOf(before[tone] ?? '')).toBeGreaterThan(tone)
  expect([...(await names())].sort()).toEqual([...before].sort())
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toEqual(before)

  const fold = page.getByRole('button', { name: /^Finish: / })
  await expect(fold).toHaveAttribute('aria-expanded', 'false')
  const low = await steps.last().boundingBox()
  await fold.click()
  await expect(fold).toHaveAttribute('aria-expanded', 'true')
  await expect(steps.last()).toContainText('the client knows what to do')
  expect((await steps.last().boundingBox())?.width).toBeGreaterThan(low?.width ?? Infinity)

  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height })
    const cut = await page
      .locator('.strip li, .strip li *, .purpose *')
      .evaluateAll((all) =>
        all
          .filter((own) => own.scrollWidth > own.clientWidth + 1 && own.clientWidth > 0)
          .map((own) => own.textContent),
      )
    expect(cut, `${width}`).toEqual([])
  }
})

test("three lengths and four schools stand beside today's plan", async ({ page }) => {
  await openStrip(page, 'other-8')
  await page.getByRole('button', { name: 'Compare' }).click()
  const sheet = page.getByRole('dialog', { name: 'Compare plans' })
  for (const name of [
    'Express',
    'Standard',
    'Full',
    'Warm Cloth',
    'Bright Lamp',
    'Oil and Water',
    'Still Bowl',
  ])
    await expect(
      sheet.getByRole('heading', { name: new RegExp(`^${name} [\\d.]+ min`) }),
    ).toBeVisible()
  await expect(
    sheet.getByRole('list', { name: /Share of the ninety-minute plan/ }).getByRole('listitem'),
  ).toHaveCount(7)
  expect(
    (await new AxeBuilder({ page }).include('.sheet').analyze()).violations.map(
      (violation) => violation.id,
    ),
  ).toEqual([])
  await page.keyboard.press('Escape')
  await expect(sheet).toHaveCount(0)
})

test('a plan out of order is put right whole, its length is set here, and what was left out is swapped in', async ({
  page,
}) => {
  const { steps } = await openStrip(page, 'other-9')
  const step = (name: RegExp) => steps.and(page.getByLabel(name))
  await step(/: Moisturiser,/)
    .first()
    .focus()
  for (let times = 0; times < 4; times++) await page.keyboard.press('Alt+ArrowUp')
  const order = page.getByRole('button', { name: /^Put in order: moves/ })
  await order.click()
  await expect(order).toBeHidden()
  await expect(page.getByText('Out of order.')).toBeHidden()
  await expect(steps.last()).toHaveAccessibleName(/: Sit up/)

  const swap = page.getByRole('button', { name: /^Swap in / }).first()
  const name = (await swap.getAttribute('aria-label'))?.match(/^Swap in ([^,]+)/)?.[1] ?? ''
  await swap.click()
  await expect(step(new RegExp(`: ${name}`)).first()).toBeVisible()

  const length = page.getByRole('combobox', { name: 'Minutes' }).first()
  await length.fill('30')
  await length.press('Enter')
  await expect(page.getByText(/^30 min: given up/)).toBeVisible()
  await expect(page.getByText(/of 30 min/)).toBeVisible()
  await length.fill('400')
  await length.press('Enter')
  await expect(page.getByTitle('15 to 180 whole minutes')).toBeVisible()
  await expect(page.getByText(/of 30 min/)).toBeVisible()
  await length.fill('60')
  await length.press('Enter')
  await expect(page.getByText(/of 60 min/)).toBeVisible()
})
