import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { book, bundleOf, someone } from '../support/visit'
import { letIn } from '../support/walk'

test('two quick taps on Ask are both kept; what a colleague changed meanwhile is said', async ({
  page,
}) => {
  const owner = await asOwner()
  const id = await book(owner, 'owner', await someone(owner, 'Quick Taps'))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  const worn = async () => (await bundleOf(owner, id)).visit.makeUp
  // Nothing is chosen before somebody chose it.
  expect(await worn()).toBeNull()
  // No reply lies between the two.
  await page.route(`**/api/visits/${id}`, async (route) => {
    await new Promise((done) => setTimeout(done, 700))
    await route.continue()
  })
  const sunCream = page.getByText(/^\s*sun cream\s*$/i).first()
  const waterproof = page.getByText(/^\s*waterproof/i).first()
  await sunCream.click()
  await waterproof.click()
  await expect.poll(worn).toEqual(expect.arrayContaining(['sunCream', 'waterproof']))
  await expect(page.getByText(/changed by a colleague|A colleague has changed/i)).toHaveCount(0)

  const { version } = (await bundleOf(owner, id)).visit
  const elsewhere = { version, lateMinutes: 5 }
  expect((await owner(`/api/visits/${id}`, { method: 'PATCH', body: elsewhere })).status).toBe(200)
  await waterproof.click()
  await expect(page.getByRole('alert').first()).toBeVisible()
  expect(await worn()).toEqual(expect.arrayContaining(['waterproof']))
})
