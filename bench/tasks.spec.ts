import { test, type Page } from '@playwright/test'
import { open, plannedVisit } from '../tests/support/house'
import { signIn } from '../tests/support/walk'

const TRIES = 7
const KEYS = 12
/** Long enough for whatever a page does after it is drawn. */
const SETTLES_MS = 1500

/** What the browser calls a long task, with when it began; and the first paint. */
interface Seen {
  paint: number
  tasks: [at: number, took: number][]
}
async function watched(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const seen: [number, number][] = []
    Object.assign(globalThis, { seenTasks: seen })
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries()) seen.push([startTime, duration])
    }).observe({ type: 'longtask', buffered: true })
  })
}
const seenOn = (page: Page): Promise<Seen> =>
  page.evaluate(() => ({
    paint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0,
    tasks: (globalThis as unknown as { seenTasks: [number, number][] }).seenTasks,
  }))
const middle = (values: readonly number[]): number =>
  [...values].sort((one, other) => one - other)[Math.floor(values.length / 2)] ?? 0

/** The longest task after the first paint, the middle of some openings. */
async function longest(page: Page, path: string): Promise<number> {
  const all: number[] = []
  for (let turn = 0; turn < TRIES; turn++) {
    await open(page, path)
    await page.waitForTimeout(SETTLES_MS)
    const { paint, tasks } = await seenOn(page)
    all.push(
      Math.max(0, ...tasks.filter(([at, took]) => at + took > paint).map(([, took]) => took)),
    )
  }
  return middle(all)
}

/** From a key on Plan until the page stands again, milliseconds of the page's own work. */
async function perKey(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const taken = async () => {
    const { metrics } = await session.send('Performance.getMetrics')
    return (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0) * 1000
  }
  const steps = page.locator('[data-place]')
  await steps.nth(3).focus()
  const each: number[] = []
  for (let key = 0; key < KEYS; key++) {
    const before = await taken()
    await page.keyboard.press(key % 2 === 0 ? '+' : '-')
    await page.waitForTimeout(SETTLES_MS / 2)
    each.push((await taken()) - before)
  }
  return middle(each)
}

test('tasks of the pages', async ({ page }) => {
  const id = await plannedVisit('other-3')
  await watched(page)
  await signIn(page, 'owner')
  const pages = { Day: '/', Plan: `/visits/${id}/plan`, People: '/people' }
  for (const [name, path] of Object.entries(pages))
    console.log(
      `≈ ${name}: the longest task after the first paint ${Math.round(await longest(page, path))} ms (aim: 100 ms)`,
    )
  await open(page, pages.Plan)
  console.log(
    `≈ Plan: a key that changes a step ${Math.round(await perKey(page))} ms of the page's work`,
  )
})
