import { createHash, randomBytes, randomUUID } from 'node:crypto'
import AxeBuilder from '@axe-core/playwright'
import postgres from 'postgres'
import type { HomeReply } from '#contracts/replies/home'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { bundleOf, prepared, sealedVisit, someone } from '../support/visit'
import { letIn } from '../support/walk'

/** A question's link as the post would have carried it. */
async function questionLink(visit: string): Promise<string> {
  const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1 })
  const token = randomBytes(32).toString('base64url')
  const hash = createHash('sha256').update(`home-link\n${token}`).digest('hex')
  const owner = await asOwner()
  const { checkIns } = (await owner(`/api/visits/${visit}/home`)).body as HomeReply
  await db`insert into home_links (id, visit_id, check_in_id, token_hash, expires_at)
    values (${randomUUID()}, ${visit}, ${checkIns[0]?.id ?? ''}, ${hash}, now() + interval '1 day')`
  await db.end()
  return token
}

test('close, routine, an answer by link on a small screen, due on Day, seen to, and the next plan knows', async ({
  page,
}) => {
  const owner = await asOwner()
  const name = `Days After ${randomUUID().slice(0, 4)}`
  const who = await someone(owner, name)
  const visit = await sealedVisit(owner, 'owner', who)
  await letIn(page, 'owner')

  // The routine is written from Close, kept, and opens again as it was.
  await open(page, `/visits/${visit}/close`)
  await page.getByRole('link', { name: 'Write the routine' }).click()
  await page.getByRole('button', { name: '+ Retinoid' }).click()
  await expect(page.getByRole('heading', { name: 'Evening: Retinoid' })).toBeVisible()
  await expect(page.getByText(/off for 5 nights before the next visit/)).toBeVisible()
  // What goes home on paper is what is on file.
  await expect(page.getByRole('button', { name: 'Save and print' })).toBeVisible()
  await page.getByRole('button', { name: 'Save the routine' }).click()
  await expect(page.getByText('Version 1,')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Print for the mirror' })).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])

  // The client answers on a telephone.
  const token = await questionLink(visit)
  await page.setViewportSize({ width: 320, height: 640 })
  await open(page, `/how#${token}`)
  await expect(page.getByRole('heading', { name: 'How is your skin today?' })).toBeVisible()
  const choose = (group: string, word: string) =>
    page
      .getByRole('group', { name: group })
      .getByRole('button', { name: word, exact: true })
      .click()
  await choose('How does your face feel?', 'burning')
  await choose('Redness?', 'strong')
  for (const group of ['Itching?', 'Swelling?', 'New spots?']) await choose(group, 'none')
  for (const group of [/Blisters/, /eyes or your sight/, /Fever/, /breathing/])
    await page
      .getByRole('group', { name: group })
      .getByRole('button', { name: 'no', exact: true })
      .click()
  const wide = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(wide).toBeLessThanOrEqual(320)
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])
  await page.getByRole('button', { name: 'Send' }).click()
  await expect(page.getByRole('status')).toContainText('Please call us today')

  // It stands on Day, is seen to from there, and is gone from it.
  await page.setViewportSize({ width: 1280, height: 800 })
  await open(page, '/')
  await page.getByRole('link', { name: `${name}: call today` }).click()
  await expect(page.locator('#afterwards').getByText('Redness: strong')).toBeVisible()
  await page.getByRole('button', { name: 'Seen to' }).click()
  await page.getByLabel('What was advised or agreed').fill('cool water, no retinoid this week')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('cool water, no retinoid this week')).toBeVisible()
  await open(page, '/')
  await expect(page.getByText(`${name}: call today`)).toHaveCount(0)

  // The next visit is booked by one tap on a free place, and its plan knows.
  await open(page, `/visits/${visit}/close`)
  await page.getByRole('group', { name: 'Free places' }).getByRole('button').first().click()
  await expect(page.getByText('Booked:')).toBeVisible()
  const next = await bundleOf(owner, await prepared(owner, 'owner', who))
  expect(next.past[0]?.taken).toBe('badly')
})

test("a doctor's matter: seen, noted without a diagnosis, and the answer is filed", async ({
  page,
}) => {
  const owner = await asOwner()
  const visit = await sealedVisit(owner, 'owner', await someone(owner, 'Note Test'))
  await letIn(page, 'owner')
  await open(page, `/visits/${visit}/close`)
  await page.getByText('Note for a doctor').click()
  await page.getByRole('combobox', { name: 'Where' }).click({ force: true })
  await page.getByRole('option', { name: 'chin' }).click()
  await page.keyboard.press('Escape')
  await page.getByLabel('What you see: size, colour, edge, change').fill('a sore, 4 mm, crusted')
  await page.getByLabel('Since when, as the client says').fill('six weeks')
  await page.getByRole('button', { name: 'Save the note' }).click()
  await expect(page.getByText('a sore, 4 mm, crusted')).toBeVisible()
  await page.getByLabel('What the doctor said').fill('removed, nothing bad')
  await page.getByRole('button', { name: 'File the answer' }).click()
  await expect(page.getByText('removed, nothing bad')).toBeVisible()
  await page.reload()
  await expect(page.getByText('removed, nothing bad')).toBeVisible()
})
