import { randomUUID } from 'node:crypto'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { caller, testUrl } from '../support/http'
import { someone } from '../support/visit'

test('a receptionist joins by a link, adds a client, books and moves, and sees nothing of health', async ({
  page,
}) => {
  const owner = await asOwner()
  const id = randomUUID()
  // What another try has left is somebody else.
  const booked = `Booked ${id.slice(0, 4)} By Desk`
  const came = `Came ${id.slice(0, 4)} To Desk`
  await someone(owner, booked)
  const email = `desk-${id.slice(0, 8)}@oakbasin.example`
  const password = 'books and says nothing'
  const body = { id, name: 'At The Desk', email, role: 'receptionist' }
  const { token } = (await owner('/api/staff', { method: 'POST', body })).body as { token: string }
  await caller(testUrl())('/api/join/submit', { method: 'POST', body: { token, password } })

  await open(page, '/sign-in')
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  const places = page.getByRole('navigation', { name: 'Places' })
  await expect(places.getByRole('link')).toHaveText(['Day', 'People', 'You'])

  await places.getByRole('link', { name: 'People' }).click()
  await expect(page.getByRole('cell', { name: booked })).toBeVisible()
  await expect(page.getByRole('link', { name: booked })).toHaveCount(0)
  await page.getByRole('button', { name: 'Add a client' }).click()
  await page.getByLabel('Name', { exact: true }).fill(came)
  await expect(page.getByLabel("Medicines, in the client's words")).toHaveCount(0)
  await page.getByLabel('Phone').fill('+000 555 0177')
  await page.getByRole('button', { name: 'Save the client' }).click()
  await expect(page.getByRole('cell', { name: came })).toBeVisible()

  const day = new Date(Date.now() + 320 * 86_400_000).toISOString().slice(0, 10)
  await open(page, `/?date=${day}`)
  await page.getByRole('button', { name: 'Add a visit' }).click()
  const client = page.getByRole('combobox', { name: 'Client' })
  await client.fill(came)
  await page.getByRole('option', { name: came }).click()
  await expect(client).toHaveValue(came)
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^10:00 / })
    .first()
    .click()
  await page.getByRole('button', { name: 'Add the visit' }).click()
  const band = page.getByRole('article').filter({ hasText: came })
  await expect(band).toContainText('10:00')
  await expect(band.getByRole('link')).toHaveCount(0)
  await band.getByRole('button', { name: `Change ${came}` }).click()
  await page.getByRole('button', { name: 'Cancel the visit' }).click()
  await expect(page.getByRole('list', { name: 'Cancelled and no-shows' })).toContainText(came)
  // A page of health by its address leads back to Day.
  for (const path of ['/shelf', '/method', '/practice']) {
    await open(page, path)
    await page.waitForURL((now) => now.pathname === '/')
  }
})
