import type { CDPSession, Locator, Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { book, bundleOf, someone } from '../support/visit'
import { letIn } from '../support/walk'

test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true })

/** A finger that goes down, moves and lifts. */
async function stroke(
  page: Page,
  cdp: CDPSession,
  points: readonly (readonly [number, number])[],
): Promise<void> {
  const [first, ...rest] = points.map(([key, value]) => ({ x: key, y: value }))
  if (!first) return
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [first] })
  for (const point of rest) {
    await cdp.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [point] })
    await page.waitForTimeout(30)
  }
  await page.waitForTimeout(300) // a finger that lifts at full speed flings, and the next tap would only end the fling
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
}
async function middle(target: Locator): Promise<readonly [number, number]> {
  const box = await target.boundingBox()
  if (!box) throw new Error('not on the screen')
  return [box.x + box.width / 2, box.y + box.height / 2]
}

test('a new client is asked and read by touch alone, on an upright tablet', async ({ page }) => {
  const id = await book(await asOwner(), 'owner', await someone(await asOwner(), 'Touch Only'))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  const cdp = await page.context().newCDPSession(page)
  await page.evaluate(() => {
    const other: string[] = []
    for (const kind of ['keydown', 'pointerdown'] as const)
      addEventListener(
        kind,
        (event) => {
          if (kind === 'keydown' || (event as PointerEvent).pointerType !== 'touch')
            other.push(kind)
        },
        true,
      )
    ;(globalThis as unknown as { other: string[] }).other = other
  })
  await page
    .getByRole('radiogroup', { name: /visible vessels/i })
    .getByText('Yes', { exact: true })
    .tap()
  await page.getByRole('button', { name: 'left cheek' }).tap()
  const rest = page.getByRole('button', { name: 'No to the rest' })
  for (let left = await rest.count(); left > 0; left = await rest.count()) {
    await rest.first().tap()
    await expect(rest).toHaveCount(left - 1)
  }
  await expect(page.getByRole('complementary', { name: 'Verdict' })).toContainText('left cheek')
  await page.getByRole('button', { name: /^All of these/ }).tap()
  await page.getByRole('button', { name: 'By pen' }).tap()
  const pad = page.getByLabel('Sign here by pen or finger')
  await pad.scrollIntoViewIfNeeded()
  const [key, value] = await middle(pad)
  await stroke(page, cdp, [
    [key - 120, value],
    [key - 80, value - 30],
    [key - 40, value + 25],
    [key, value - 20],
    [key + 60, value + 10],
  ])
  await page.getByRole('button', { name: 'Sign the consent' }).tap()
  await expect(page.getByText(/^\s*Signed by pen/)).toBeVisible()
  await page.getByRole('button', { name: 'Save answers, read the skin' }).tap()
  await page.waitForURL(/\/read$/)
  for (const what of ['Oil', 'Water', 'Congestion', 'Sensitivity', 'Redness']) {
    await page
      .getByRole('radiogroup', { name: 'What to read' })
      .locator('label')
      .filter({ hasText: what })
      .tap()
    await page.getByRole('radiogroup', { name: 'Grade' }).locator('label').nth(1).tap()
    await page.getByRole('button', { name: /on every open zone/ }).tap()
  }
  // Sweeping: the finger goes over one cheek, the nose and the other cheek with a stronger grade.
  await page.getByRole('radiogroup', { name: 'Grade' }).locator('label').nth(2).tap()
  const face = page.getByRole('group', { name: /Face, Redness by zone/ })
  await face.scrollIntoViewIfNeeded()
  const [from, over, to] = [
    await middle(face.locator('[data-zone=cheekR]')),
    await middle(face.locator('[data-zone=nose]')),
    await middle(face.locator('[data-zone=cheekL]')),
  ]
  const between = (one: readonly [number, number], other: readonly [number, number]) =>
    Array.from({ length: 8 }, (_, i): [number, number] => [
      one[0] + ((other[0] - one[0]) * i) / 7,
      one[1] + ((other[1] - one[1]) * i) / 7,
    ])
  await stroke(page, cdp, [...between(from, over), ...between(over, to)])
  await expect(face.getByRole('button', { name: /^Right cheek, Redness 2/ })).toBeVisible()
  await expect(face.getByRole('button', { name: /^Left cheek, Redness 2/ })).toBeVisible()
  await page.getByRole('button', { name: 'thirsty' }).tap()
  await face.locator('[data-zone=forehead]').tap()
  await expect(face.getByRole('button', { name: /^Forehead, .*thirsty/ })).toBeVisible()
  await expect(page.getByText('every zone read')).toBeVisible()
  expect(await page.evaluate(() => (globalThis as unknown as { other: string[] }).other)).toEqual(
    [],
  )
  expect(
    await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    ),
    'nothing runs off the side',
  ).toBeLessThanOrEqual(0)
  await page.getByRole('button', { name: 'Save reading, plan' }).tap()
  await page.waitForURL(/\/plan$/)
  const bundle = await bundleOf(await asOwner(), id)
  expect(bundle.whole.observed).toEqual([{ zone: 'forehead', id: 'thirsty' }])
  expect([
    bundle.readings.madeUp?.cheekL?.redness,
    bundle.readings.madeUp?.nose?.redness,
    bundle.readings.madeUp?.cheekR?.redness,
    bundle.readings.madeUp?.chin?.redness,
  ]).toEqual([2, 2, 2, 1])
})
