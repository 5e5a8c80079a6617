import { test, expect } from '@playwright/test'
import { asOwner, open, runningVisit } from '../support/house'
import { bundleOf } from '../support/visit'
import { withSteps } from '../support/ownPlan'
import { bigButton, nextStep, signIn } from '../support/walk'
test('look', async ({ page }) => {
  const id = await runningVisit('other-22')
  const owner = await asOwner()
  await page.setViewportSize({ width: 1280, height: 800 })
  await signIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  await page.getByRole('group', { name: 'On the face now' }).scrollIntoViewIfNeeded()
  await page.screenshot({ path: '/tmp/shots/ask.png' })
  const version = (await bundleOf(owner, id)).visit.version
  const answer = await owner(`/api/visits/${id}`, {
    method: 'PATCH',
    body: { version, makeUp: ['waterproof', 'layered'] },
  })
  console.log(answer.status, answer.text)
  const r = await owner(`/api/visits/${id}/halves`, {
    method: 'POST',
    body: {
      id: crypto.randomUUID(),
      moment: 'before',
      worked: 'L',
      light: 'ring lamp, lying',
      grades: { brow: { L: 1, R: 1 } },
    },
  })
  console.log(r.status, r.text)
  await withSteps(id, [
    ['eyesOff'],
    ['milk'],
    ['toningMassage'],
    ['clay', ['nose']],
    ['hydratingMask', ['cheekL', 'cheekR']],
    ['maskOff'],
    ['steam'],
    ['moisturiser'],
  ])
  await open(page, `/visits/${id}/treat`)
  await expect(bigButton(page)).toBeVisible()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/shots/soak.png' })
  await nextStep(page)
  await page.getByRole('button', { name: 'Pad 3, heavy' }).click()
  await page.waitForTimeout(500)
  await page.screenshot({ path: '/tmp/shots/pads.png' })
  await nextStep(page)
  await page.getByRole('button', { name: /^left/ }).click()
  await page.waitForTimeout(3500)
  await page.getByRole('button', { name: /^right/ }).click()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/shots/halves.png' })
  await nextStep(page)
  await nextStep(page)
  await page.waitForTimeout(700)
  await page.screenshot({ path: '/tmp/shots/lay.png' })
  await nextStep(page)
  await nextStep(page)
  await page.keyboard.press('h')
  await page.waitForTimeout(700)
  await page.screenshot({ path: '/tmp/shots/steam.png' })
})
