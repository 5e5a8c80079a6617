import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { bundleOf, countersigned, prepared, someone } from '../support/visit'
import { letIn } from '../support/walk'

test("a trainee's open plan says at once that it is signed, and that a change has taken that off", async ({
  page,
}) => {
  const owner = await asOwner()
  const name = 'Signed Live'
  const id = await prepared(owner, 'trainee', await someone(owner, name))
  await letIn(page, 'trainee')
  await open(page, `/visits/${id}/plan`)
  const state = page.getByRole('status').filter({ hasText: /countersign/ })
  await expect(state).toContainText("needs a colleague's countersign")
  await expect(page.getByRole('button', { name: 'Countersign' })).toHaveCount(0)
  // Signed elsewhere: nothing is tapped here.
  expect((await countersigned(owner, id)).status).toBe(200)
  await expect(state).toContainText('countersigned by')
  await owner(`/api/visits/${id}`, {
    method: 'PATCH',
    body: { version: (await bundleOf(owner, id)).visit.version, evening: true },
  })
  await expect(state).toContainText("needs a colleague's countersign")
  await expect(state).toContainText('signed')
})

test('what waits for a signature is on the Day of a senior, a tap from the plan', async ({
  page,
}) => {
  const owner = await asOwner()
  const name = 'Signed From Day'
  const id = await prepared(owner, 'trainee', await someone(owner, name))
  await letIn(page, 'owner')
  await open(page, '/')
  await page.getByRole('link', { name: `Sign the plan for ${name}` }).click()
  await page.waitForURL(`**/visits/${id}/plan`)
  await page.getByRole('button', { name: 'Countersign' }).click()
  await expect(page.getByText(/^countersigned by/)).toBeVisible()
  await open(page, '/')
  await expect(page.getByRole('link', { name: `Sign the plan for ${name}` })).toHaveCount(0)
})
