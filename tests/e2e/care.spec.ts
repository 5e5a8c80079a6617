import { randomUUID } from 'node:crypto'
import { expect, test } from '../support/browserTest'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import { asOwner, open } from '../support/house'
import { book, bundleOf, someone } from '../support/visit'
import { choose, letIn, signTyped } from '../support/walk'

const put = async (id: string, path: string, method: string, body: object) => {
  const reply = await (await asOwner())(`/api/visits/${id}/${path}`, { method, body })
  expect(reply.status, reply.text).toBe(200)
}

test('a question is found by a word, a row is set aside with a reason, and consent is taken back', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', await someone(await asOwner(), 'Set Aside'))
  await put(id, 'answers', 'PUT', { id: randomUUID(), answers: allNo(), medicines: '' })
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  await expect(page.getByRole('radiogroup', { name: /asthma/i })).toHaveCount(0)
  await page.getByLabel('Find a question').fill('asthm')
  await page.getByRole('option', { name: /asthma/i }).click()
  await page
    .getByRole('radiogroup', { name: /asthma/i })
    .getByText('Yes', { exact: true })
    .click()
  const verdict = page.getByRole('complementary', { name: 'Verdict' })
  await verdict.getByText('asthma', { exact: true }).click()
  await verdict.getByRole('button', { name: /^Overridden for today/ }).click()
  await verdict
    .getByLabel('Reason for overriding')
    .fill('uses no inhaler any more, tried last week')
  await verdict.getByRole('button', { name: 'Override under my name' }).click()
  await expect(verdict.getByText('uses no inhaler any more')).toBeVisible()
  await expect(verdict.getByText('Steam 3 min at most, no strong vapours.')).toHaveCount(0)
  await signTyped(page, 'Set Aside')
  await page.getByRole('button', { name: 'Withdraw consent' }).click()
  await page.getByRole('button', { name: 'Withdraw Care by hand' }).click()
  await expect(page.getByText('Care by hand').first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Withdraw Care by hand' })).toHaveCount(0)
  expect((await bundleOf(await asOwner(), id)).withdrawals[0]?.kinds).toEqual(['care'])
})

test('a patch test is placed on screen and the product waits; comfort is kept and said again', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', await someone(await asOwner(), 'Patch Test'))
  await put(id, 'answers', 'PUT', { id: randomUUID(), answers: allNo(), medicines: '' })
  await put(id, 'readings', 'POST', {
    id: randomUUID(),
    phase: 'madeUp',
    zones: readAll(RESILIENT, { cheekL: { ...RESILIENT, sensitivity: 2 } }),
  })
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/ask`)
  await page.getByRole('heading', { name: /^Patch tests/ }).click()
  const place = page.getByRole('button', { name: /^Place it ?: / }).first()
  const product = ((await place.textContent()) ?? '').replace(/^\s*Place it\s*:\s*/i, '').trim()
  await place.click()
  await expect(
    page.getByRole('button', { name: new RegExp(`^Reaction ?: ${product}`) }),
  ).toBeVisible()
  expect((await bundleOf(await asOwner(), id)).patchTests).toHaveLength(1)
  await page.getByRole('heading', { name: /^Comfort and daily life/ }).click()
  await page.getByRole('button', { name: 'silence' }).click()
  await expect(page.getByRole('button', { name: 'silence' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await open(page, `/visits/${id}/set`)
  await expect(page.getByText('Silence: say only what must be said.')).toBeVisible()
})

test('the scales are asked and computed, a line is seen otherwise, and half is held against half', async ({
  page,
}) => {
  const id = await book(await asOwner(), 'owner', await someone(await asOwner(), 'All Scales'))
  await put(id, 'readings', 'POST', {
    id: randomUUID(),
    phase: 'madeUp',
    zones: readAll(RESILIENT),
  })
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/read`)
  await page.getByText('phototype, photoageing, acne').click()
  await choose(page, 'In the first strong sun, burns', 'very rarely')
  await choose(page, 'and tans', 'deeply')
  await expect(page.getByText('Phototype V', { exact: true })).toBeVisible()
  await expect(page.getByText('Marks easily: gentler and slower')).toBeVisible()
  await page.getByRole('radio', { name: 'Spots' }).check({ force: true })
  await page.getByRole('radio', { name: /3 pustules/ }).check({ force: true })
  await page.getByRole('button', { name: /^Chin, / }).click()
  await expect(page.getByText('Acne at least 3: mild')).toBeVisible()
  await page.getByText('Normal', { exact: true }).click()
  await page.getByRole('button', { name: 'I judge it differently' }).first().click()
  await choose(page, 'Type', 'oily')
  await page.getByLabel('Reason', { exact: true }).fill('washed an hour ago')
  await page.getByRole('button', { name: 'Save under my name' }).click()
  await expect(page.getByText('read as normal: washed an hour ago')).toBeVisible()
  await page.getByText('work one side, compare both').click()
  await page.getByLabel('Light and position').fill('ring lamp, lying')
  await page.getByLabel('Brow height, left').selectOption('1')
  await page.getByRole('button', { name: 'Save both halves before' }).click()
  await expect(page.getByText('read before')).toBeVisible()
  await page.getByText('every zone, every reading').click()
  await page.getByLabel('Nose, Texture').selectOption('3')
  await page.getByRole('button', { name: 'Save reading, plan' }).click()
  await page.waitForURL(/\/plan$/)
  const bundle = await bundleOf(await asOwner(), id)
  expect(bundle.whole).toMatchObject({
    burns: 'very rarely',
    tans: 'deeply',
    overruled: [{ line: 'type', say: 'oily', reason: 'washed an hour ago' }],
  })
  expect([
    bundle.readings.madeUp?.chin?.spots,
    bundle.readings.madeUp?.nose?.texture,
    bundle.halves[0]?.grades.brow,
  ]).toEqual([3, 3, { L: 1, R: 1 }])
})

test('the owner makes a row stricter and ends it; a looser one is not offered', async ({
  page,
}) => {
  await letIn(page, 'owner')
  await open(page, '/practice')
  await page.getByRole('combobox', { name: 'Make a rule stricter' }).fill('filler')
  await page.getByRole('option', { name: /filler/ }).click()
  await page.getByLabel('Days, 28 or more').fill('20')
  await page.getByLabel('Reason', { exact: true }).fill('our insurer asks for it')
  await expect(page.getByText('not fewer than 28 days')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save this rule' })).toBeDisabled()
  await page.getByLabel('Days, 28 or more').fill('42')
  await page.getByRole('button', { name: 'Save this rule' }).click()
  const own = page.getByRole('listitem').filter({ hasText: 'our insurer asks for it' })
  await expect(own).toBeVisible()
  await own.getByRole('button', { name: /^End rule/ }).click()
  await expect(own).toContainText('; ended ')
})
