import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { demoId } from '#db/demo/ids'
import { look } from '../support/look'
import { asOwner, open, plannedVisit, runningVisit } from '../support/house'
import { sealedVisit } from '../support/visit'
import { letIn } from '../support/walk'

/**
 * Every view, looked over by an independent checker at both sizes of a tablet; nothing scrolls
 * sideways.
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
const VIEWS: readonly [string, () => string][] = [
  ['Day', () => '/'],
  ['People', () => '/people'],
  ["A client's file", () => `/people/${demoId('rower')}`],
  ['Clients from a file', () => '/people/import'],
  ['Likely doubles', () => '/people/doubles'],
  ['Read a file', () => '/people/reader'],
  ['From other practices', () => `/people/${demoId('rower')}/elsewhere`],
  ['Shelf', () => '/shelf'],
  ['Count the shelf', () => '/shelf/count'],
  ['Delivery', () => '/shelf/delivery'],
  ['Products from a file', () => '/shelf/file'],
  ['Cleaning', () => '/shelf/cleaning'],
  ['You', () => '/you'],
  ['This tablet', () => '/tablet'],
  ['Method', () => '/method'],
  ['Practice', () => '/practice'],
  ['Set up the practice', () => '/practice/house'],
  ['Costs and prices', () => '/practice/money'],
  ['Ask', () => `/visits/${planned}/ask`],
  ['Read', () => `/visits/${planned}/read`],
  ['Plan', () => `/visits/${planned}/plan`],
  ['Set', () => `/visits/${planned}/set`],
  ['Treat', () => `/visits/${running}/treat`],
  ['Close', () => `/visits/${sealed}/close`],
  ['Close, not yet', () => `/visits/${planned}/close`],
]
test('the door', async ({ page }) => {
  await open(page, '/sign-in')
  await look(page, 'Sign in')
})
for (const [name, path] of VIEWS) {
  test(`view: ${name}`, async ({ page }) => {
    await letIn(page, 'owner')
    await open(page, path())
    await look(page, name)
    expect(await withoutKey(page), 'every action has a key').toEqual([])
    await fitsAtTwiceTheSize(page)
  })
}

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
test('every sheet of the room, and every form', async ({ page }) => {
  await letIn(page, 'owner')
  await open(page, `/visits/${running}/treat`)
  await expect(page.getByRole('timer')).toBeVisible()
  for (const key of ['r', 's', 'n', 'f']) {
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog')).toBeVisible()
    await look(page, `Treat, ${key}`)
    await page.keyboard.press('Escape')
  }
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
