import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { demoId } from '#db/demo/ids'
import { ACCOUNTS } from '../support/accounts'
import { open } from '../support/house'
import { look } from '../support/look'
import { HARBOUR, HARBOUR_NAME, inAs, joins, openWithAnother } from '../support/twoPractices'

/** A second practice in the house, by its interface: begun, worked in, and a client seen in both. */
let house: Awaited<ReturnType<typeof openWithAnother>>
test.beforeAll(async () => {
  house = await openWithAnother('practices', 24_950)
})
test.afterAll(() => house.close())
const at = (path: string) => `${house.address}${path}`

async function signInAs(page: Page, { email, password }: { email: string; password: string }) {
  await page.context().clearCookies()
  await open(page, at('/sign-in'))
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
}

test('a practice beside the first is begun by its own link; who works in both says where, and a client is allowed at both', async ({
  page,
}) => {
  test.slow()
  await open(page, at(`/first-hour#${house.key}`))
  await page.getByLabel('Name of the practice').fill(HARBOUR_NAME)
  await page.getByLabel('Your name').fill(HARBOUR.name)
  await page.getByLabel('E-mail, to sign in with').fill(HARBOUR.email)
  await page.getByLabel('Password', { exact: true }).fill(HARBOUR.password)
  await page.getByLabel('Password once more').fill(HARBOUR.password)
  await page.getByRole('button', { name: 'Create the practice' }).click()
  await expect(page.getByRole('heading', { name: 'Rooms' })).toBeVisible()
  // Its list of people is its own.
  await open(page, at('/people'))
  await expect(page.getByText('Ada Korsen')).toHaveCount(0)

  await signInAs(page, ACCOUNTS.owner)
  await expect(page.getByRole('link', { name: 'People' })).toBeVisible()
  await open(page, at(`/people/${demoId('rower')}`))
  await page.getByText(`Not seen at ${HARBOUR_NAME}`).scrollIntoViewIfNeeded()
  await page.getByRole('button', { name: 'Allow' }).click()
  const asking = page.getByRole('dialog')
  await expect(asking.getByRole('button', { name: 'Allow' })).toBeDisabled()
  await asking.getByLabel('The client has agreed to it').check()
  await look(page, 'Allow another practice', '[role=dialog]')
  await asking.getByRole('button', { name: 'Allow' }).click()
  await expect(page.getByText(`Seen at ${HARBOUR_NAME} too, since`)).toBeVisible()

  const { email, password, name } = ACCOUNTS.therapist
  const sanne = await inAs(house.address, HARBOUR)
  await joins({ address: house.address, sanne }, { email, password, name })
  await signInAs(page, { email, password })
  await expect(page.getByText('Where are you now?')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeDisabled()
  await look(page, 'Where are you now')
  await page.getByLabel(HARBOUR_NAME).check()
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('link', { name: 'People' })).toBeVisible()
  await open(page, at('/you'))
  await expect(page.getByText(`therapist, ${HARBOUR_NAME}`)).toBeVisible()

  await signInAs(page, HARBOUR)
  await expect(page.getByRole('link', { name: 'People' })).toBeVisible()
  await open(page, at('/people'))
  await page
    .getByRole('link', { name: /Rower|rower|Mira|Ada/ })
    .first()
    .click()
  await expect(page.getByText('seen here too')).toBeVisible()
  await expect(page.getByRole('list', { name: 'Treated elsewhere' })).toBeVisible()
})
