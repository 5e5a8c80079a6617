import fc from 'fast-check'
import type { Page } from '@playwright/test'
import { inputOfPerson, person, type Person } from '#core/testing/randomPeople'
import type { Answers } from '#core/screening/asking/answers'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { asked, someone } from '../support/visit'
import { goTo, letIn } from '../support/walk'

/** With these nobody is treated today. */
const ENDS_IT: readonly string[] = ['fever', 'infection', 'eyeInfection']
/** How many are walked; in the full run all. */
const WALKED = process.env.OAK_FULL ? 6 : 2
/** People drawn by dice: nobody of the demo, and nobody a case was written for. */
const STRANGERS: readonly Person[] = fc
  .sample(person, { numRuns: 40, seed: 22_2026 })
  .filter(({ told, slotMinutes }) => slotMinutes >= 60 && !told.some((id) => ENDS_IT.includes(id)))
  .slice(0, WALKED)

/** Asked and read as told, over the wire; planned and begun by hand. */
async function stranger(who: Person, more: Answers = {}): Promise<string> {
  const owner = await asOwner()
  const { answers, aims, makeUp, school } = inputOfPerson(who)
  const client = await someone(owner, `Stranger ${who.age}`, `${2026 - who.age}-01-01`)
  return asked(owner, 'owner', client, {
    aims,
    makeUp,
    school,
    zones: who.readings,
    answers: { ...answers, ...more },
  })
}
/** Nothing on the page reads like a slip of the pen. */
const readsWell = (page: Page) =>
  expect(page.locator('main')).not.toContainText(/undefined|NaN|\[object|null/)

test.describe('somebody nobody has thought of', () => {
  for (const [i, who] of STRANGERS.entries())
    test(`is asked, read, planned and begun: ${i + 1}, aged ${who.age}`, async ({ page }) => {
      const id = await stranger(who)
      await letIn(page, 'owner')
      await open(page, `/visits/${id}/ask`)
      await readsWell(page)
      await goTo(page, 'Read')
      await readsWell(page)
      await goTo(page, 'Plan')
      await page.getByRole('button', { name: 'Propose again' }).click()
      const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem')
      await expect(steps.first()).toBeVisible()
      await readsWell(page)
      const onward = page.getByRole('button', { name: 'Lay out the tray' })
      await expect(onward).toBeEnabled()
      await onward.click()
      await page.waitForURL(/\/set$/)
      await readsWell(page)
      const begin = page.getByRole('button', { name: 'Start the treatment' })
      await expect(begin).toBeEnabled()
      await begin.click()
      await page.waitForURL(/\/treat$/)
      await expect(page.locator('[data-next]')).toBeVisible()
      await readsWell(page)
    })
})

test('a plan that cannot be made says why, and a way on', async ({ page }) => {
  const [who] = STRANGERS
  if (!who) throw new Error('nobody was drawn')
  const id = await stranger(who, { allergy: { say: 'yes', substances: ['aqua'] } })
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/plan`)
  await page.getByRole('button', { name: 'Propose again' }).click()
  await expect(page.getByRole('alert')).toContainText('none of the bottles on the shelf')
  await expect(page.getByRole('alert')).toContainText('on Shelf, and propose again')
})
