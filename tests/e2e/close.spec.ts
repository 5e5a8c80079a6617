import { readFile } from 'node:fs/promises'
import ICAL from 'ical.js'
import type { Download, Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { demoId } from '#db/demo/ids'
import { asOwner, open } from '../support/house'
import { done, tell, withSteps } from '../support/ownPlan'
import { book, bundleOf, sealedVisit, someone, treating } from '../support/visit'
import { letIn, sealIt } from '../support/walk'

const textOf = async (download: Download) => readFile(await download.path(), 'utf8')
async function download(page: Page, button: string): Promise<string> {
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button }).click(),
  ])
  return textOf(file)
}

test('a sealed visit leaves as a file and comes back as ours; changed by a word it is marked as broken', async ({
  page,
}) => {
  const id = await sealedVisit(await asOwner(), 'owner', 'other-12')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/close`)
  const text = await download(page, 'Export the visit')
  await open(page, `/people/${demoId('other-12')}`)
  await page
    .getByLabel('Import a visit')
    .setInputFiles({ name: 'visit.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await expect(page.getByText('our own seal').first()).toBeVisible()
  await open(page, `/people/${demoId('other-13')}`)
  await page.getByLabel('Import a visit').setInputFiles({
    name: 'visit.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text.replace('Went well.', 'Went badly.')),
  })
  // Of somebody else by name: asked first, and nothing is taken in meanwhile.
  await expect(page.getByText(/^The file is of/)).toBeVisible()
  await page.getByRole('button', { name: 'It is the same person: import' }).click()
  await expect(page.getByText('seal broken').first()).toBeVisible()
  await page
    .getByLabel('Import a visit')
    .setInputFiles({ name: 'visit.json', mimeType: 'application/json', buffer: Buffer.from('{') })
  await expect(page.getByText('not JSON').first()).toBeVisible()
  // What another practice recorded is read in the client's file, and before anything is imported.
  await page.getByRole('link', { name: 'Read what they recorded' }).click()
  await expect(page.getByText('Not as it was sealed: the notes.')).toBeVisible()
  await expect(page.getByText('Went badly.')).toBeVisible()
  await open(page, '/people/reader')
  const choose = (name: string, content: string) =>
    page.getByLabel('Choose a file').setInputFiles({
      ...{ name, mimeType: 'application/json', buffer: Buffer.from(content) },
    })
  await choose('visit.json', text)
  await expect(page.getByText('our own record, unchanged')).toBeVisible()
  await expect(page.getByRole('cell', { name: 'Sun protection' })).toBeVisible()
  await choose('other.json', '{"format":"oak-basin/visit"}')
  await expect(page.getByRole('alert')).toBeVisible()
  await expect(page.getByText('our own record, unchanged')).toBeHidden()
})

test("a sealed record is amended in the open, the next visit goes into the client's calendar, and printing says so in the audit", async ({
  page,
}) => {
  const id = await sealedVisit(await asOwner(), 'owner', 'other-14')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/close`)
  await page.getByRole('button', { name: 'Amend', exact: true }).click()
  await page
    .getByLabel('The notes as they should read')
    .fill('Went well; left cheek pink for a minute.')
  await page.getByLabel('Reason').fill('forgotten')
  await page.getByRole('button', { name: 'Add the amendment' }).click()
  await expect(page.getByRole('heading', { name: 'Amendments, beside the original' })).toBeVisible()
  await expect(page.locator('s').getByText('Went well.')).toBeVisible()
  // The fields begin at the first place that is free, not at an hour that may be taken.
  const place = page.getByRole('group', { name: 'Free places' }).getByRole('button').first()
  const clock = /\d\d:\d\d/.exec(await place.innerText())?.[0] ?? 'none'
  await expect(page.getByLabel('Time', { exact: true })).toHaveValue(clock)
  await page.getByLabel('Day', { exact: true }).fill('2031-08-20')
  await page.getByRole('button', { name: 'Book the next visit' }).click()
  await expect
    .poll(async () => (await bundleOf(await asOwner(), id)).visit.nextVisitAt)
    .not.toBeNull()
  const event = new ICAL.Event(
    new ICAL.Component(ICAL.parse(await download(page, 'Calendar file'))).getFirstSubcomponent(
      'vevent',
    ) ?? undefined,
  )
  expect(event.startDate.toJSDate().getTime()).toBe(
    (await bundleOf(await asOwner(), id)).visit.nextVisitAt,
  )
  await page.evaluate(() => {
    window.print = () => {
      document.title = 'printed'
    }
  })
  await page.getByRole('button', { name: 'Print record' }).click()
  await expect(page).toHaveTitle('printed')
  await open(page, '/practice')
  await expect(page.getByRole('cell', { name: 'printed' }).first()).toBeVisible()
})

test('a mask that rested too long asks why, one tap says it, and the sealed record holds it', async ({
  page,
}) => {
  const owner = await asOwner()
  const id = await treating(owner, 'owner', await someone(owner, 'Asked Why'))
  const [milk, mask, stay, off, cream] = await withSteps(id, [
    ...([['milk'], ['hydratingMask'], ['stay'], ['maskOff']] as const),
    ['moisturiser'],
  ])
  const minutesAgo = [58, 55, 10, 8, 6]
  await tell(id, { kind: 'started' }, 60)
  for (const [at, step] of [milk, mask, stay, off, cream].entries())
    if (step) await tell(id, done(step), minutesAgo[at])
  await tell(id, { kind: 'finished' }, 5)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/close`)
  const why = page.getByRole('group', { name: 'Why: Hydrating mask on' })
  await expect(page.getByRole('heading', { name: 'Why was it different?' })).toBeVisible()
  // Nothing else is asked for: the rest went as planned, or was said by the plan that left it out.
  await expect(page.getByRole('group', { name: /^Why: / })).toHaveCount(1)
  await why.getByRole('button', { name: 'called away' }).click()
  await expect(page.locator('.record').getByText(/because: called away/)).toBeVisible()
  // What was said can still be changed after the page was opened anew.
  await page.reload()
  await expect(why.getByRole('button', { name: 'called away' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await why.getByRole('button', { name: 'as the skin took it' }).click()
  await expect(page.locator('.record').getByText(/because: as the skin took it/)).toBeVisible()
  await sealIt(page)
  // With the seal the questions of the next days come to be, in sight at once.
  await expect(page.locator('#afterwards').getByText('not yet').first()).toBeVisible()
  await page.reload()
  await expect(page.locator('.record').getByText(/because: as the skin took it/)).toBeVisible()
  await expect(page.getByRole('group', { name: /^Why: / })).toHaveCount(0)
})

test('consent is signed with the pen', async ({ page }) => {
  const id = await book(await asOwner(), 'owner', await someone(await asOwner(), 'Pen Holder'))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  await page.getByRole('button', { name: 'All of these' }).click()
  await page.getByRole('button', { name: 'By pen' }).click()
  await page.getByRole('button', { name: 'Sign the consent' }).click()
  await expect(page.getByText('Nothing is signed yet.')).toBeVisible()
  const pad = page.getByLabel('Sign here by pen or finger')
  await pad.scrollIntoViewIfNeeded()
  const box = await pad.boundingBox()
  if (!box) throw new Error('no pad')
  await page.mouse.move(box.x + 40, box.y + 90)
  await page.mouse.down()
  for (const [key, value] of [
    [80, 40],
    [120, 100],
    [180, 50],
    [260, 80],
  ] as const)
    await page.mouse.move(box.x + key, box.y + value, { steps: 5 })
  await page.mouse.up()
  await page.getByRole('button', { name: 'Sign the consent' }).click()
  await expect(page.getByText(/^\s*Signed by pen/)).toBeVisible()
  expect((await bundleOf(await asOwner(), id)).consent?.method).toBe('pen')
})
