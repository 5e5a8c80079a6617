import { expect, test, type Page } from '@playwright/test'
import { askAsBefore, goTo, nextStep, openVisit, planAsProposed, readAsBefore, signIn } from '../support/walk'

/** One current picture of each main view, from the demo, at the size a tablet has. Written to `docs/screenshots`. */
const OUT = process.env.OAK_PICTURES ?? 'docs/screenshots'
const shoot = async (page: Page, name: string) => { await page.waitForTimeout(400); await page.screenshot({ path: `${OUT}/${name}.png` }) }

test('the desk', async ({ page }) => {
  await page.goto('/sign-in')
  await shoot(page, 'sign-in')
  await signIn(page, 'owner')
  await shoot(page, 'day')
  await page.goto('/people'); await shoot(page, 'people')
  await page.getByRole('link', { name: 'Ines Marchetta' }).click()
  await expect(page.getByRole('heading', { name: 'The ledger' })).toBeVisible()
  await page.waitForTimeout(800)
  await shoot(page, 'client')
  await page.goto('/shelf'); await shoot(page, 'shelf')
  await page.goto('/method'); await shoot(page, 'method')
  await page.goto('/practice'); await shoot(page, 'practice')
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
  await expect(page.getByRole('listitem').filter({ hasText: 'Sun protection' }).first()).toBeVisible()
  await page.waitForTimeout(1200)
  await shoot(page, 'plan-rower')
  await planAsProposed(page)
  await shoot(page, 'set')
  await page.getByRole('button', { name: 'Start the treatment' }).click()
  await page.waitForURL(/treat$/)
  await page.clock.install({ time: Date.now() })
  for (let i = 0; i < 40; i++) {
    if (await page.locator('.vessel').count() > 0) break
    await nextStep(page, async () => { await page.clock.runFor(50_000) })
    await page.clock.runFor(2000)
  }
  await page.clock.runFor(390_000)
  await shoot(page, 'treat')
  await page.getByRole('button', { name: /Reaction/ }).click()
  await shoot(page, 'reaction')
})
