import { expect, test } from '../support/browserTest'
import { asOwner, open, plannedVisit, runningVisit } from '../support/house'
import { sealedVisit } from '../support/visit'
import { letIn } from '../support/walk'
import { weighed } from '../support/weighed'

/**
 * What each page may weigh and how far it may move while it loads. Counted, not timed: bytes of
 * packed script, requests and the layout's shift are the same on a slow machine.
 */
interface Budget {
  page: string
  path: () => string
  /** Packed script, kB of 1,024 bytes. */
  script: number
  requests: number
}
let planned = ''
let running = ''
let sealed = ''
test.beforeAll(async () => {
  planned = await plannedVisit('other-8')
  running = await runningVisit('other-9')
  sealed = await sealedVisit(await asOwner(), 'owner', 'other-10')
})
const BUDGETS: readonly Budget[] = [
  { page: 'Day', path: () => '/', script: 300, requests: 72 },
  { page: 'People', path: () => '/people', script: 210, requests: 48 },
  { page: 'Shelf', path: () => '/shelf', script: 272, requests: 76 },
  { page: 'Method', path: () => '/method', script: 330, requests: 96 },
  { page: 'Practice', path: () => '/practice', script: 292, requests: 76 },
  { page: 'Ask', path: () => `/visits/${planned}/ask`, script: 400, requests: 124 },
  { page: 'Read', path: () => `/visits/${planned}/read`, script: 395, requests: 112 },
  { page: 'Plan', path: () => `/visits/${planned}/plan`, script: 425, requests: 122 },
  { page: 'Set', path: () => `/visits/${planned}/set`, script: 308, requests: 92 },
  { page: 'Treat', path: () => `/visits/${running}/treat`, script: 430, requests: 126 },
  { page: 'Close', path: () => `/visits/${sealed}/close`, script: 434, requests: 144 },
]
/** A page whose parts jump is a page that is tapped beside. */
const MOST_SHIFT = 0.02

test('the door weighs little and holds no row of the trade', async ({ page }) => {
  const { script, requests, shift, texts } = await weighed(page, () => open(page, '/sign-in'))
  expect(texts.filter((text) => /common practice/i.test(text))).toEqual([])
  expect.soft(script, 'packed script, kB').toBeLessThanOrEqual(146)
  expect.soft(requests, 'requests').toBeLessThanOrEqual(20)
  expect.soft(shift).toBeLessThanOrEqual(MOST_SHIFT)
})
for (const { page: name, path, script: most, requests: mostRequests } of BUDGETS) {
  test(`${name} weighs no more than it may`, async ({ page }) => {
    await letIn(page, 'owner')
    const { script, requests, shift, moved } = await weighed(page, () => open(page, path()))
    expect.soft(script, 'packed script, kB').toBeLessThanOrEqual(most)
    expect.soft(requests, 'requests').toBeLessThanOrEqual(mostRequests)
    expect.soft(shift, moved.join(', ')).toBeLessThanOrEqual(MOST_SHIFT)
  })
}
