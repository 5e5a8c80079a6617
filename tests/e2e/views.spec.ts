import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { demoId } from '#db/demo/ids'
import { look } from '../support/look'
import { asOwner, open, plannedVisit, runningVisit } from '../support/house'
import { sealedVisit } from '../support/visit'
import { letIn } from '../support/walk'
import { weighed, type Weighed } from '../support/weighed'

/**
 * Every view, looked over by an independent checker at both sizes of a tablet; nothing scrolls
 * sideways. What is opened most may weigh so much, and hardly moves while it loads: counted, not timed,
 * for bytes of packed script, requests and the layout's shift are the same on a slow machine.
 */
// Each view by itself, in whichever browser is free.
test.describe.configure({ mode: 'parallel' })
let planned = ''
let running = ''
let sealed = ''
test.beforeAll(async () => {
  planned = await plannedVisit('other-8')
  running = await runningVisit('other-9')
  sealed = await sealedVisit(await asOwner(), 'owner', 'other-10')
})
interface View {
  name: string
  path: () => string
  /** Packed script, kB of 1,024 bytes, where it is weighed. */
  script?: number
  requests?: number
}
const VIEWS: readonly View[] = [
  { name: 'Day', path: () => '/', script: 310, requests: 86 },
  { name: 'People', path: () => '/people', script: 222, requests: 64 },
  { name: "A client's file", path: () => `/people/${demoId('rower')}` },
  { name: 'Clients from a file', path: () => '/people/import' },
  { name: 'Likely doubles', path: () => '/people/doubles' },
  { name: 'Read a file', path: () => '/people/reader' },
  { name: 'From other practices', path: () => `/people/${demoId('rower')}/elsewhere` },
  { name: 'Shelf', path: () => '/shelf', script: 280, requests: 88 },
  { name: 'Count the shelf', path: () => '/shelf/count' },
  { name: 'Delivery', path: () => '/shelf/delivery' },
  { name: 'Products from a file', path: () => '/shelf/file' },
  { name: 'Cleaning', path: () => '/shelf/cleaning' },
  { name: 'You', path: () => '/you' },
  { name: 'This tablet', path: () => '/tablet' },
  { name: 'Method', path: () => '/method', script: 336, requests: 108 },
  { name: 'Practice', path: () => '/practice', script: 300, requests: 88 },
  { name: 'Set up the practice', path: () => '/practice/house' },
  { name: 'Costs and prices', path: () => '/practice/money' },
  { name: 'Ask', path: () => `/visits/${planned}/ask`, script: 404, requests: 134 },
  { name: 'Read', path: () => `/visits/${planned}/read`, script: 400, requests: 122 },
  { name: 'Plan', path: () => `/visits/${planned}/plan`, script: 445, requests: 134 },
  { name: 'Set', path: () => `/visits/${planned}/set`, script: 360, requests: 104 },
  { name: 'Treat', path: () => `/visits/${running}/treat`, script: 445, requests: 138 },
  { name: 'Close', path: () => `/visits/${sealed}/close`, script: 450, requests: 156 },
  { name: 'Close, not yet', path: () => `/visits/${planned}/close` },
]
/** The door is seen by everybody, before anything is known of them. */
const DOOR = { script: 146, requests: 20 }
/** A page whose parts jump is a page that is tapped beside. */
const MOST_SHIFT = 0.02
/** Later than the first paint waits for. */
const LATE_MS = 150

/** Opens a page as most people see it, where what glides moves too, and weighs what came. */
async function weigh(page: Page, path: string, most: { script: number; requests: number }) {
  await page.emulateMedia({ reducedMotion: 'no-preference' })
  const came: Weighed = await weighed(page, () => open(page, path))
  await page.emulateMedia({ reducedMotion: 'reduce' })
  expect.soft(came.script, 'packed script, kB').toBeLessThanOrEqual(most.script)
  expect.soft(came.requests, 'requests').toBeLessThanOrEqual(most.requests)
  expect.soft(came.shift, came.moved.join(', ')).toBeLessThanOrEqual(MOST_SHIFT)
  return came
}

test('the door', async ({ page }) => {
  const { texts } = await weigh(page, '/sign-in', DOOR)
  expect(
    texts.filter((text) => /common practice/i.test(text)),
    'rows of the trade',
  ).toEqual([])
  await look(page, 'Sign in')
})
for (const { name, path, script, requests } of VIEWS) {
  test(`view: ${name}`, async ({ page }) => {
    await letIn(page, 'owner')
    if (script && requests) await weigh(page, path(), { script, requests })
    else await open(page, path())
    await look(page, name)
    expect(await withoutKey(page), 'every action has a key').toEqual([])
    await fitsAtTwiceTheSize(page)
  })
}

for (const name of ['Read', 'Plan', 'Set'])
  test(`letters that come late move nothing: ${name}`, async ({ page }) => {
    await letIn(page, 'owner')
    await page.route('**/*.woff2', async (route) => {
      await new Promise((done) => setTimeout(done, LATE_MS))
      await route.continue()
    })
    const path = VIEWS.find((view) => view.name === name)?.path() ?? ''
    const { shift, moved } = await weighed(page, () => open(page, path), { letters: false })
    expect(shift, moved.join(', ')).toBeLessThanOrEqual(MOST_SHIFT)
  })

/** What can be tapped and is not reached with Tab, arrows or a key of its own. */
const withoutKey = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'a[href],button,input,select,textarea,[role=button],[data-zone]',
      ),
    ]
      .filter(
        (element) =>
          element.offsetParent !== null &&
          !(element as HTMLButtonElement).disabled &&
          element.getAttribute('aria-hidden') !== 'true' &&
          element.tabIndex < 0 &&
          !element.closest('[data-key]') &&
          element.closest('[role=radiogroup],[role=listbox],[role=tablist],.v-field,svg') === null,
      )
      .map((element) => element.outerHTML.slice(0, 120)),
  )

/** Whatever listens to the window's size has heard of it, and is drawn. */
const laidOut = (page: Page): Promise<void> =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(resolve)))
      }),
  )

/** At twice the size the whole rail and the main action are there, and nothing scrolls sideways. */
async function fitsAtTwiceTheSize(page: Page): Promise<void> {
  await page.setViewportSize({ width: 640, height: 400 })
  await laidOut(page)
  const seen = await page.evaluate(() => {
    const inside = (element: Element) => {
      const { top, bottom, left, right } = element.getBoundingClientRect()
      return top >= -1 && bottom <= innerHeight + 1 && left >= -1 && right <= innerWidth + 1
    }
    const rail = [...document.querySelectorAll('nav.rail a, nav.rail button')]
    const primary = [
      ...document.querySelectorAll('#stop-action .bg-primary, header .bg-primary, [data-next]'),
    ]
    return {
      sideways: document.documentElement.scrollWidth - document.documentElement.clientWidth,
      rail: rail.filter((own) => !inside(own)).map((own) => own.textContent?.trim()),
      main: primary.length === 0 || primary.some(inside),
    }
  })
  // A pixel is rounding, as it is for what stands at the edge.
  expect(seen.sideways).toBeLessThanOrEqual(1)
  expect(seen.rail).toEqual([])
  expect(seen.main, 'the main action').toBe(true)
}
test('every form that opens over a view', async ({ page }) => {
  await letIn(page, 'owner')
  await open(page, '/people')
  await page.getByRole('button', { name: 'Add a client' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await look(page, 'Add a client', '[role=dialog]')
  await open(page, '/')
  await page.getByRole('button', { name: 'Add a visit' }).click()
  await expect(page.getByLabel('Client')).toBeVisible()
  await look(page, 'Add a visit', '[role=dialog]')
  await open(page, '/method')
  await page.getByRole('tab', { name: 'Schools and this practice' }).click()
  await expect(page.getByRole('columnheader', { name: 'This practice' })).toBeVisible()
  await look(page, 'Schools')
})
