import { expect, test, type Page } from '@playwright/test'
import { asOwner, open, runningVisit } from '../support/house'
import { done, tell, withSteps } from '../support/ownPlan'
import { throughTheRoom, treating } from '../support/visit'
import {
  askAsBefore,
  bigButton,
  goTo,
  nextStep,
  openVisit,
  planAsProposed,
  readAsBefore,
  sealIt,
  signIn,
} from '../support/walk'

/**
 * One current picture of each main view, from the demo, at the size a tablet has. Written to
 * `docs/screenshots`.
 */
const OUT = process.env.OAK_PICTURES ?? 'docs/screenshots'
const shoot = async (page: Page, name: string) => {
  await page.waitForTimeout(400)
  await page.screenshot({ path: `${OUT}/${name}.png` })
}

test('the desk', async ({ page }) => {
  await signIn(page, 'owner')
  await shoot(page, 'day')
  await page.goto('/people')
  await shoot(page, 'people')
  await page.getByRole('link', { name: 'Ines Marchetta' }).click()
  await expect(page.getByRole('heading', { name: 'Skin load' })).toBeVisible()
  await page.waitForTimeout(800)
  await shoot(page, 'client')
  await page.goto('/shelf')
  await shoot(page, 'shelf')
  await page.goto('/shelf/cleaning')
  await expect(page.getByRole('heading', { name: 'Log' })).toBeVisible()
  await shoot(page, 'cleaning')
  await page.goto('/practice/money')
  await expect(page.getByRole('heading', { name: 'Price list' })).toBeVisible()
  // The demo's clients came weeks ago.
  await expect(async () => {
    await page.getByRole('button', { name: 'Month before' }).click()
    await expect(page.getByText('The month')).toBeVisible({ timeout: 3_000 })
  }).toPass()
  await shoot(page, 'money')
  await page.goto('/method')
  await shoot(page, 'method')
  await page.goto('/practice')
  await expect(page.getByText(/all valid$|seal valid/)).toBeVisible()
  await shoot(page, 'practice')
})

test('the six stops, for the rower', async ({ page }) => {
  await signIn(page, 'owner')
  await openVisit(page, 'Ada Korsen')
  await goTo(page, 'Ask')
  await page.getByRole('button', { name: 'Same as last time' }).click()
  await shoot(page, 'ask')
  await askAsBefore(page, 'Ada Korsen')
  await page.getByRole('button', { name: 'Start from last time' }).click()
  await shoot(page, 'read')
  await readAsBefore(page)
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Sun protection' }).first(),
  ).toBeVisible()
  await page.waitForTimeout(1200)
  await shoot(page, 'plan-rower')
  await planAsProposed(page)
  await shoot(page, 'set')
})

test('the record', async ({ page }) => {
  const owner = await asOwner()
  const id = await treating(owner, 'owner', 'rower')
  await throughTheRoom(owner, id, (step) => step.minutes)
  await signIn(page, 'owner')
  await open(page, `/visits/${id}/close`)
  await page
    .getByLabel('Anything else for the record')
    .fill('Drank the mask quickly. Asked about oars and gloves: hand cream before bed.')
  await sealIt(page)
  await expect(page.getByText(/^\s*Seal \d+/)).toBeVisible()
  await shoot(page, 'close')
  await page.getByRole('link', { name: 'Write the routine' }).click()
  await page.getByRole('button', { name: '+ Retinoid' }).click()
  await expect(page.getByRole('heading', { name: 'Evening: Retinoid' })).toBeVisible()
  await shoot(page, 'routine')
})

for (const [client, name] of [['Signe Holmvik', 'plan-ferry']] as const) {
  test(`the plan of ${client}`, async ({ page }) => {
    await signIn(page, 'owner')
    await openVisit(page, client)
    await goTo(page, 'Ask')
    await askAsBefore(page, client)
    await readAsBefore(page)
    await expect(
      page
        .getByRole('listitem')
        .filter({ hasText: 'Sun protection' })
        .or(page.getByRole('listitem').filter({ hasText: 'Moisturiser' }))
        .first(),
    ).toBeVisible()
    await page.waitForTimeout(1200)
    await shoot(page, name)
  })
}

test('the room: three masks, a pad, the tip, a stop', async ({ page }) => {
  const id = await runningVisit('other-11')
  const steps = await withSteps(id, [
    ['milk'],
    ['secondCleanse'],
    ['clay', ['forehead', 'nose', 'chin']],
    ['hydratingMask', ['cheekL', 'cheekR', 'neck']],
    ['eyeMask', ['eyes']],
    ['shouldersScalp'],
    ['maskOff'],
    ['tone'],
    ['blot'],
    ['tip'],
    ['mixHardening'],
    ['hardeningMask'],
    ['hardeningOff'],
  ])
  await tell(id, { kind: 'started' }, 14)
  for (const [place, minutesAgo] of [11, 9, 7, 5, 3].entries()) {
    const step = steps[place]
    if (step) await tell(id, done(step), minutesAgo)
  }
  await signIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.locator('.vessel')).toHaveCount(3)
  await shoot(page, 'treat')
  await nextStep(page)
  await nextStep(page)
  await page.getByRole('button', { name: 'Pad 2, soiled' }).click()
  await page.getByRole('button', { name: 'Pad 2, soiled' }).click()
  await expect(page.getByText(/Soiled twice/)).toBeVisible()
  await shoot(page, 'treat-pads')
  await nextStep(page)
  await bigButton(page).click()
  for (const zone of ['Left cheek', 'Forehead', 'Chin'])
    await page.getByRole('button', { name: zone, exact: true }).click()
  await page.getByRole('button', { name: 'Ask the device' }).click()
  await expect(page.getByText(/Device at/)).toBeVisible()
  await shoot(page, 'treat-tip')
  await bigButton(page).click()
  await nextStep(page)
  await expect(page.getByRole('heading', { level: 1, name: 'Hardening mask on' })).toBeVisible()
  await bigButton(page).click()
  await expect(bigButton(page)).toContainText('On evenly')
  await bigButton(page).click()
  await expect(page.getByRole('region', { name: 'Silence' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Stop. Off with cool water.' })).toBeVisible()
  await page.keyboard.press('Space')
  await shoot(page, 'stop')
})
