import { test, type CDPSession, type Page } from '@playwright/test'
import { open, runningVisit } from '../tests/support/house'
import { signIn } from '../tests/support/walk'

const HOUR_MINUTES = 60
const IDLE_MS = 10_000
const WATCH_MS = 12_000
const MINUTE_MS = 60_000

/** How long after its second a clock of the page changed, milliseconds, sorted. */
const lags = (page: Page): Promise<number[]> =>
  page.evaluate(
    (watchMs) =>
      new Promise<number[]>((resolve) => {
        const clock = document.querySelector('[role=timer]')
        const seen: number[] = []
        const watcher = new MutationObserver(() => seen.push(performance.now()))
        if (clock) watcher.observe(clock, { characterData: true, childList: true, subtree: true })
        setTimeout(() => {
          watcher.disconnect()
          // Against the most punctual of them: each second after it a whole second on.
          const phases = seen.map((at) => at % 1000)
          const first = Math.min(...phases.map((phase) => (phase + 500) % 1000))
          resolve(
            phases.map((phase) => ((phase + 500) % 1000) - first).sort((one, other) => one - other),
          )
        }, watchMs)
      }),
    WATCH_MS,
  )
async function heap(session: CDPSession): Promise<number> {
  await session.send('HeapProfiler.collectGarbage')
  return ((await session.send('Runtime.getHeapUsage')) as { usedSize: number }).usedSize
}
/** Share of one core that the page's tasks took while nobody touched it. */
async function busy(session: CDPSession, page: Page): Promise<number> {
  const taken = async () => {
    const { metrics } = await session.send('Performance.getMetrics')
    return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0
  }
  const before = await taken()
  await page.waitForTimeout(IDLE_MS)
  return ((await taken()) - before) / (IDLE_MS / 1000)
}
const STEP_MS = 20
const SECOND_MS = 1000
/** Milliseconds into a second of the accelerated clock at which the page's clock changes. */
async function phase(page: Page): Promise<number> {
  const timer = page.getByRole('timer')
  const before = await timer.innerText()
  for (let ran = 0; ran <= SECOND_MS + STEP_MS; ran += STEP_MS) {
    await page.clock.runFor(STEP_MS)
    if ((await timer.innerText()) !== before) break
  }
  return page.evaluate(() => Date.now() % 1000)
}
/** How far two phases lie apart, whichever way round the second. */
const apart = (one: number, other: number) => {
  const gap = Math.abs(one - other)
  return Math.min(gap, SECOND_MS - gap)
}
const percent = (share: number) => `${(share * 100).toFixed(1)} %`

test('sixty minutes of the room', async ({ page }) => {
  const id = await runningVisit('other-1')
  await signIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await page.getByRole('timer').waitFor()
  const session = await page.context().newCDPSession(page)
  await session.send('Performance.enable')
  const lag = await lags(page)
  console.log(
    `≈ clocks: the second changes within ${Math.round(lag.at(-1) ?? 0)} ms, ` +
      `half of them within ${Math.round(lag[Math.floor(lag.length / 2)] ?? 0)} ms (aim: 100 ms)`,
  )
  const own = await busy(session, page)
  await page.clock.install({ time: Date.now() })
  await page.reload()
  await page.getByRole('timer').waitFor()
  await page.clock.runFor(MINUTE_MS)
  const phaseBefore = await phase(page)
  const before = await heap(session)
  for (let minute = 0; minute < HOUR_MINUTES; minute++) await page.clock.runFor(MINUTE_MS)
  const after = await heap(session)
  const drift = apart(phaseBefore, await phase(page))
  console.log(`≈ after sixty accelerated minutes the clock is ${drift} ms off (aim: 100 ms)`)
  console.log(`≈ memory after sixty minutes: ${(after / before).toFixed(2)} × (aim: flat)`)
  await page.goto('about:blank')
  const bare = await busy(session, page)
  console.log(
    `≈ the resting page takes ${percent(own)} of one core, an empty page ${percent(bare)} (aim: below 3 %)`,
  )
})
