import { randomInt } from 'node:crypto'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { asked, bundleOf, someone } from '../support/visit'
import { choose, goTo, letIn, nextStep, sealIt } from '../support/walk'

const NAME = 'Amber Client'
/** A second try meets what the first has left. */
const TRY = randomInt(1000)
const DOME = `Amber dome ${TRY}`
const STEAM = `Amber steam ${TRY}`

test('a kind of device and a technique of the practice are furnished, planned, treated, sealed and printed', async ({
  page,
}) => {
  test.slow()
  await letIn(page, 'owner')
  await open(page, '/method')
  await page.getByRole('tab', { name: 'Our own' }).click()

  await page.getByRole('button', { name: 'Add a kind of device' }).click()
  const kind = page.getByRole('dialog')
  await kind.getByRole('button', { name: 'Save kind of device' }).click()
  // What is missing is said at its field, and nothing typed is lost.
  await expect(kind.getByText('must not be empty').first()).toBeVisible()
  await kind.getByLabel('Name (required)').fill(DOME)
  await choose(page, 'Works like (required)', 'steamer')
  await kind.getByLabel('Cleaned after each client (required)').fill('Wiped, then dried.')
  await kind.getByRole('button', { name: 'Save kind of device' }).click()
  await expect(kind).toBeHidden()
  await expect(page.getByText('works like a steamer', { exact: true }).last()).toBeVisible()

  await page.getByRole('button', { name: 'Add a technique' }).click()
  const way = page.getByRole('dialog')
  await way.getByLabel('Name here (required)').fill(STEAM)
  await way.getByRole('combobox', { name: 'Nearest technique (required)' }).fill('Steam')
  await page.getByRole('option', { name: 'Steam', exact: true }).click()
  await choose(page, 'Done with', DOME)
  await way.getByLabel('Longest, min').fill('60')
  await way.getByRole('button', { name: 'Save technique' }).click()
  await expect(way.getByText(/min, as steam has/).first()).toBeVisible()
  await way.getByLabel('Longest, min').fill('6')
  await way.getByLabel('What the hand does here').fill('Dome over the face, lid half open.')
  await way.getByRole('button', { name: 'Save technique' }).click()
  await expect(way).toBeHidden()
  await expect(page.getByText(`from steam · with ${DOME} · at most 6 min`)).toBeVisible()

  await open(page, '/practice/house')
  await page.getByRole('button', { name: 'Add a device' }).click()
  await choose(page, 'Kind', DOME)
  await page.getByRole('button', { name: 'Save device' }).click()
  await expect(page.getByText(DOME).first()).toBeVisible()

  const call = await asOwner()
  const id = await asked(call, 'owner', await someone(call, NAME))
  await open(page, `/visits/${id}/plan`)
  await expect(page.getByRole('listitem', { name: / min: / }).first()).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'Add a step' })).toBeEnabled()
  await page.getByRole('combobox', { name: 'Add a step' }).fill(STEAM)
  await page.getByRole('option', { name: STEAM }).click()
  const strip = page.getByRole('listitem', { name: new RegExp(`${STEAM},`) })
  await expect(strip).toBeVisible()
  await strip.click()
  await expect(page.getByRole('combobox', { name: 'Done as' })).toBeVisible()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await goTo(page, 'Set')
  await expect(page.getByText(DOME).first()).toBeVisible()
  await page.getByRole('button', { name: 'Start the treatment' }).click()
  await page.waitForURL(/\/treat$/)
  const heading = page.getByRole('heading', { level: 1 })
  let seen = false
  while ((await heading.innerText()) !== 'Finished') {
    if ((await heading.innerText()) === STEAM) {
      seen = true
      await expect(page.getByText('Dome over the face, lid half open.')).toBeVisible()
    }
    await nextStep(page)
  }
  expect(seen).toBe(true)
  await page.getByRole('link', { name: 'Write it up' }).click()
  await page.waitForURL(/\/close$/)
  const line = `${STEAM} (steam, with ${DOME})`
  await expect(page.getByText(line).first()).toBeVisible()
  await sealIt(page)
  await expect(page.getByText(/^\s*Seal \d+/).first()).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByText(line).first()).toBeVisible()
  await page.emulateMedia({ media: 'screen' })
  expect(JSON.stringify((await bundleOf(call, id)).record)).toContain(line)

  // Put away, so that nobody else's plan offers it.
  await open(page, '/method')
  await page.getByRole('tab', { name: 'Our own' }).click()
  await page.getByRole('button', { name: `Stop using ${DOME}` }).click()
  await expect(page.getByRole('button', { name: `Use again ${STEAM}` })).toBeVisible()
})
