import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import type { Page } from '@playwright/test'
import { inputOfPerson, person, type Person } from '#core/testing/randomPeople'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { book, bundleOf, someone } from '../support/visit'
import { goTo, letIn } from '../support/walk'

/** With these nobody is treated today. */
const ENDS_IT: readonly string[] = ['fever', 'infection', 'eyeInfection']
/** People drawn by dice: nobody of the demo, and nobody a case was written for. */
const STRANGERS: readonly Person[] = fc
  .sample(person, { numRuns: 40, seed: 22_2026 })
  .filter(({ told, slotMinutes }) => slotMinutes >= 60 && !told.some((id) => ENDS_IT.includes(id)))
  .slice(0, 3)

/** Asked and read as told, over the wire; planned and begun by hand. */
async function asked(who: Person, more: object = {}): Promise<string> {
  const owner = await asOwner()
  const born = `${2026 - who.age}-01-01`
  const id = await book(owner, 'owner', await someone(owner, `Stranger ${who.age}`, born))
  const must = async (path: string, method: string, body: unknown) => {
    const reply = await owner(`/api/visits/${id}${path}`, { method, body })
    if (reply.status !== 200) throw new Error(`${path}: ${reply.text}`)
  }
  const { answers, aims, makeUp, school } = inputOfPerson(who)
  const { version } = (await bundleOf(owner, id)).visit
  await must('', 'PATCH', { version, aims, makeUp, school })
  await must('/answers', 'PUT', {
    id: randomUUID(),
    answers: { ...answers, ...more },
    medicines: '',
  })
  await must('/consent', 'POST', {
    id: randomUUID(),
    method: 'typed',
    name: 'A Client',
    confirmed: true,
    guardian: false,
    kinds: ['care', 'exfoliation', 'machine', 'current'],
  })
  await must('/readings', 'POST', { id: randomUUID(), phase: 'madeUp', zones: who.readings })
  return id
}
/** Nothing on the page reads like a slip of the pen. */
const readsWell = (page: Page) =>
  expect(page.locator('main')).not.toContainText(/undefined|NaN|\[object|null/)

test.describe('somebody nobody has thought of', () => {
  for (const [i, who] of STRANGERS.entries())
    test(`is asked, read, planned and begun: ${i + 1}, aged ${who.age}`, async ({ page }) => {
      const id = await asked(who)
      await letIn(page, 'owner')
      await open(page, `/visits/${id}/ask`)
      await readsWell(page)
      await goTo(page, 'Read')
      await readsWell(page)
      await goTo(page, 'Plan')
      await page.getByRole('button', { name: 'Propose afresh' }).click()
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
  const id = await asked(who, { allergy: { say: 'yes', substances: ['aqua'] } })
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/plan`)
  await page.getByRole('button', { name: 'Propose afresh' }).click()
  await expect(page.getByRole('alert')).toContainText('none of the bottles on the shelf')
  await expect(page.getByRole('alert')).toContainText('on Shelf, and propose again')
})
