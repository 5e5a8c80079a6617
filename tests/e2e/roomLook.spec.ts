import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import { asOwner, open, runningVisit } from '../support/house'
import { look } from '../support/look'
import { done, tell, withSteps } from '../support/ownPlan'
import { bundleOf } from '../support/visit'
import { bigButton, nextStep, letIn } from '../support/walk'

// Each by itself, in whichever browser is free.
test.describe.configure({ mode: 'parallel' })
const SIZES = [
  [1280, 800],
  [1024, 768],
  [800, 1280],
] as const

/** Nothing of the room lies below the fold, and what is tapped is big enough for a wet finger. */
async function fits(page: Page, what: string): Promise<void> {
  await whole(page, what)
  // At twice the size what matters most is in sight: the step's name, its clock, the edge.
  await page.setViewportSize({ width: 640, height: 400 })
  await expect(bigButton(page)).toBeInViewport({ ratio: 0.9 })
  await expect(page.getByRole('heading', { level: 1 })).toBeInViewport()
  await page.setViewportSize({ width: 1280, height: 800 })
}
/** Nothing lies below the fold at any size of a tablet, and no button is small. */
async function whole(page: Page, what: string): Promise<void> {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height })
    const { over, small } = await page.evaluate(() => ({
      over: document.documentElement.scrollHeight - innerHeight,
      small: [...document.querySelectorAll<HTMLElement>('main button')]
        .filter((own) => own.offsetHeight > 0 && own.offsetHeight < 64 && !own.matches('.quiet'))
        .map((own) => own.innerText),
    }))
    expect(over, `${what} at ${width} × ${height}`).toBeLessThanOrEqual(0)
    expect(small, what).toEqual([])
  }
  await page.setViewportSize({ width: 1280, height: 800 })
}

test('every step of an hour fits the screen, upright and lying, and its buttons a wet finger', async ({
  page,
}) => {
  const id = await runningVisit('other-18')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(bigButton(page)).toBeVisible()
  while (!(await page.getByRole('heading', { name: 'Finished' }).isVisible()))
    await nextStep(page, (name) => fits(page, name))
})

/** Steps with the most on screen: a device, its dial, a bottle, something counted, ticks before. */
const FULL: readonly TechniqueId[] = [
  'eyesOff',
  'oilCleanse',
  'tip',
  'needling',
  'microcurrent',
  'toningMassage',
]
/** The two that ask for most; in the full run all. */
const LOOKED_AT = process.env.OAK_FULL ? FULL : FULL.slice(2, 4)
test('the fullest steps fit as well, for a client with wishes of her own', async ({ page }) => {
  await letIn(page, 'owner')
  for (const technique of LOOKED_AT) {
    const id = await runningVisit('other-26')
    const owner = await asOwner()
    const preferences = { talk: 'quiet', pressure: 'light', lying: 'raised' }
    const put = { method: 'PUT' as const, body: { preferences } }
    expect((await owner(`/api/visits/${id}/preferences`, put)).status).toBe(200)
    await withSteps(id, [['settle'], ['blot'], [technique], ['moisturiser']])
    await open(page, `/visits/${id}/treat`)
    await expect(bigButton(page)).toBeVisible()
    await fits(page, `${technique} before`)
    if ((await bigButton(page).innerText()).startsWith('Seen to: begin')) {
      await bigButton(page).click()
      await expect(bigButton(page)).not.toContainText('Seen to')
      await fits(page, `${technique} begun`)
    }
    const soiled = page.getByRole('button', { name: 'Pad 2, soiled' })
    if (await soiled.isVisible()) {
      await soiled.click()
      await expect(bigButton(page)).toContainText('Not clean')
      await fits(page, `${technique}, a soiled pad`)
    }
  }
})

test('sheets of the room: each is whole, and an independent checker finds nothing', async ({
  page,
}) => {
  const id = await runningVisit('other-19')
  const steps = await withSteps(id, [
    ['oilCleanse'],
    ['tone'],
    ['tip'],
    ['mixHardening'],
    ['hardeningMask'],
    ['hardeningOff'],
    ['moisturiser'],
  ])
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByRole('heading', { level: 1, name: /^Oil cleanse/ })).toBeVisible()
  await look(page, 'Oil cleanse, water counted')
  for (const [key, heading] of [
    ['y', 'Not yet'],
    ['s', /^Skip/],
    ['w', 'Use instead'],
    ['f', /minutes/],
    ['n', 'Note'],
    ['r', /Where/],
  ] as const) {
    await page.keyboard.press(key)
    await expect(page.getByRole('heading', { name: heading }).first()).toBeVisible()
    await look(page, `sheet ${key}`)
    await page.keyboard.press('Escape')
    await expect(page.locator('.v-overlay--active')).toHaveCount(0)
  }
  await page.getByRole('button', { name: 'Water added once more' }).click()
  await page.getByRole('button', { name: 'Water added once more' }).click()
  await page.getByRole('button', { name: 'One less' }).click()
  await nextStep(page)
  await page.getByRole('button', { name: 'Pad 2, soiled' }).click()
  await expect(page.getByText('Wipe again with a fresh pad.')).toBeVisible()
  await page.getByRole('button', { name: 'Pad 3, heavy' }).click()
  await expect(page.getByText(/Soiled twice: another cleanse/)).toBeVisible()
  await page.getByRole('button', { name: 'Add a cleanse' }).click()
  await expect(page.getByRole('button', { name: 'Take the new plan' })).toBeVisible()
  await look(page, 'a cleanse more')
  await page.getByRole('button', { name: 'Keep the old one' }).click()
  await expect(bigButton(page)).toContainText('Not clean, next anyway')
  await nextStep(page)
  // Passes of the tip, left and right apart: what is uneven is said before the step ends.
  await expect(page.getByRole('heading', { level: 1, name: 'Diamond tip' })).toBeVisible()
  await expect(bigButton(page)).toContainText('Seen to: begin')
  await bigButton(page).click()
  await expect(bigButton(page)).toContainText('Even pink')
  await page.getByRole('button', { name: 'Left cheek' }).click()
  await expect(page.getByText(/right cheek: 1 pass fewer/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Vacuum up' })).toBeDisabled()
  await look(page, 'passes on the tip')
  await bigButton(page).click()
  await expect(page.getByText(/Tap again to end it anyway/)).toBeVisible()
  await bigButton(page).click()
  // A mask that sets hard: its list first, then silence, and a hand that says stop.
  await expect(page.getByRole('heading', { level: 1, name: 'Hardening mask on' })).toBeVisible()
  await expect(page.getByText(/hand signals agreed/)).toBeVisible()
  await look(page, 'before the silence')
  await bigButton(page).click()
  await expect(bigButton(page)).toContainText('On evenly')
  await bigButton(page).click()
  await expect(page.getByRole('region', { name: 'Silence' })).toBeVisible()
  await look(page, 'silence')
  await page.getByRole('button', { name: 'Too tight' }).click()
  await expect(page.getByText('Mist the edge')).toBeVisible()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Stop. Off with cool water.' })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText(/to go/)).toBeVisible()
  await whole(page, 'stop')
  await look(page, 'stop')
  const { events } = await bundleOf(await asOwner(), id)
  expect(
    events.some(({ body }) => body.kind === 'stepDone' && body.because === 'the pad was not clean'),
  ).toBe(true)
  const counted = events.flatMap(({ body }) => (body.kind === 'counted' ? [body.by] : []))
  expect(counted).toEqual([1, 1, -1])
  expect(steps).toHaveLength(7)
})

test('what reads and what is asked of the skin: each is whole, and a checker finds nothing', async ({
  page,
}) => {
  const id = await runningVisit('other-0')
  const owner = await asOwner()
  // Half against half was set up with the reading.
  const half = { id: randomUUID(), moment: 'before', worked: 'R', light: 'ring lamp, lying' }
  const set = { ...half, grades: { brow: { L: 1, R: 1 } } }
  await owner(`/api/visits/${id}/halves`, { method: 'POST', body: set })
  const { version } = (await bundleOf(owner, id)).visit
  const worn = { version, makeUp: ['waterproof', 'layered'] }
  await owner(`/api/visits/${id}`, { method: 'PATCH', body: worn })
  await withSteps(id, [
    ['eyesOff'],
    ['secondReading'],
    ['toningMassage', GROUPS.face],
    ['hydratingMask', ['cheekL', 'cheekR']],
    ['maskOff', ['cheekL', 'cheekR']],
    ['steam'],
    ['moisturiser'],
  ])
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  // Waterproof: a minute to soak, the lips meanwhile.
  await expect(page.getByText('Both eyes soak: the lips come off meanwhile.')).toBeVisible()
  await page.getByRole('button', { name: 'Pad 3, heavy' }).click()
  await page.getByRole('button', { name: 'Pad 3, heavy' }).click()
  await expect(page.getByText(/This make-up usually takes 5 pads/)).toBeVisible()
  await look(page, 'eyes that soak')
  await fits(page, 'eyes that soak')
  await nextStep(page)
  await bigButton(page).click()
  await expect(page.getByRole('button', { name: 'As read, go on' })).toBeVisible()
  await look(page, 'second reading')
  await page.getByRole('button', { name: 'As read, go on' }).click()
  // One side, then the other: the worked half first, and what is not alike is said.
  const sides = page.getByRole('group', { name: 'Half against half' })
  await expect(sides.getByRole('button').first()).toContainText('right')
  await sides.getByRole('button', { name: /^right/ }).click()
  await expect(sides.getByRole('button', { name: /^right/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(sides).toContainText(/right side: 2:\d\d more/)
  await look(page, 'half against half')
  await fits(page, 'half against half')
  await nextStep(page)
  await nextStep(page)
  await nextStep(page)
  await page.keyboard.press('d')
  await expect(page.getByRole('heading', { name: /absorbed|How/ }).first()).toBeVisible()
  await look(page, 'absorbed')
  await page.keyboard.press('Escape')
  // Under steam nobody holds before it is turned away.
  await expect(page.getByText(/Stay beside \(steam\)/)).toBeVisible()
  await page.keyboard.press('h')
  await expect(page.getByText('First turn it away or take it off: then hold.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Distance down' })).toBeDisabled()
  await expect(page.getByRole('button', { name: 'Distance up' })).toBeEnabled()
  await look(page, 'steam')
  await page.keyboard.press('h')
  await expect(page.getByRole('button', { name: /^Go on/ })).toBeVisible()
})

test('three masks rest at once: what comes off next is said, and the other tablet is named', async ({
  page,
  context,
}) => {
  const id = await runningVisit('other-21')
  const steps = await withSteps(id, [
    ['clay', ['nose', 'chin', 'forehead']],
    ['hydratingMask', ['cheekL', 'cheekR']],
    ['eyeMask', ['eyes']],
    ['maskOff'],
    ['moisturiser'],
  ])
  await tell(id, { kind: 'started' }, 1)
  for (const step of steps.slice(0, 3)) await tell(id, done(step))
  await letIn(page, 'owner')
  await open(page, '/tablet')
  await page.getByLabel('Name of this tablet').fill('Lake tablet')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByText(/comes off next/)).toBeVisible()
  await expect(page.locator('.vessel')).toHaveCount(3)
  await expect(page.getByText('late: wet it first')).toBeVisible()
  await look(page, 'three vessels')
  await fits(page, 'three vessels')
  const other = await context.newPage()
  await open(other, `/visits/${id}/treat`)
  await expect(other.getByText(/also here: Lake tablet/)).toBeVisible()
  await expect(page.getByText(/also here/)).toBeVisible()
  await other.close()
  await expect(page.getByText(/also here/)).toBeHidden()
})
