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
// As most people see it: what glides moves too.
test.use({ contextOptions: { reducedMotion: 'no-preference' } })
let planned = ''
let running = ''
let sealed = ''
test.beforeAll(async () => {
  planned = await plannedVisit('other-8')
  running = await runningVisit('other-9')
  sealed = await sealedVisit(await asOwner(), 'owner', 'other-10')
})
const BUDGETS: readonly Budget[] = [
  { page: 'Day', path: () => '/', script: 310, requests: 86 },
  { page: 'People', path: () => '/people', script: 222, requests: 64 },
  { page: 'Shelf', path: () => '/shelf', script: 280, requests: 88 },
  { page: 'Method', path: () => '/method', script: 336, requests: 108 },
  { page: 'Practice', path: () => '/practice', script: 300, requests: 88 },
  { page: 'Ask', path: () => `/visits/${planned}/ask`, script: 404, requests: 134 },
  { page: 'Read', path: () => `/visits/${planned}/read`, script: 400, requests: 122 },
  { page: 'Plan', path: () => `/visits/${planned}/plan`, script: 445, requests: 134 },
  { page: 'Set', path: () => `/visits/${planned}/set`, script: 360, requests: 104 },
  { page: 'Treat', path: () => `/visits/${running}/treat`, script: 445, requests: 138 },
  { page: 'Close', path: () => `/visits/${sealed}/close`, script: 450, requests: 156 },
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
