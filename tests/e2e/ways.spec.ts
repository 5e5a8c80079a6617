import { randomUUID } from 'node:crypto'
import type { Page } from '@playwright/test'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import { expect, test } from '../support/browserTest'
import { asOwner, open, runningVisit } from '../support/house'
import { done, tell, withSteps, type Wanted } from '../support/ownPlan'
import { bundleOf } from '../support/visit'
import { recordEqualsTaps } from '../support/whatWasDone'
import { bigButton, letIn } from '../support/walk'

/* What hands do in some houses only, worked in the room by touch as it would be with a client there. */
test.use({ hasTouch: true })

/** A visit under way at one step of a plan of its own. */
async function at(page: Page, id: string, step: TechniqueId, wanted: readonly Wanted[]) {
  const steps = await withSteps(id, wanted)
  await tell(id, { kind: 'started' })
  const place = steps.findIndex(({ technique }) => technique === step)
  for (const own of steps.slice(0, place)) await tell(id, done(own))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(bigButton(page)).toBeVisible()
  return steps
}
const now = (page: Page) => page.getByRole('region', { name: 'Now' })
const zone = (page: Page, id: string) => page.locator(`.facebox [data-zone="${id}"]`)
/** The big button until another step is at hand; what is asked once is asked once. */
async function end(page: Page, next: string | RegExp): Promise<void> {
  const heading = page.getByRole('heading', { level: 1 })
  await expect(async () => {
    if (!(await heading.getByText(next).isVisible())) await bigButton(page).tap()
    await expect(heading).toHaveText(next, { timeout: 2_000 })
  }).toPass()
}
const eventsOf = async (id: string) => (await bundleOf(await asOwner(), id)).events

const CLEAN: readonly Wanted[] = [['settle'], ['eyesOff'], ['milk'], ['secondReading']]
const CLOSING: readonly Wanted[] = [['moisturiser'], ['sunProtection'], ['close']]

test('eyes that stay soiled ask for more soak, and for no cleanse', async ({ page }) => {
  const id = await runningVisit('other-21')
  await at(page, id, 'eyesOff', [...CLEAN, ['secondCleanse'], ...CLOSING])
  for (const grade of ['heavy', 'soiled', 'soiled'])
    await now(page)
      .getByRole('button', { name: new RegExp(`^Pad \\d, ${grade}`) })
      .tap()
  await expect(now(page)).toContainText('fresh remover, hold it half a minute longer')
  await expect(page.getByRole('button', { name: 'Add a cleanse' })).toHaveCount(0)
  await now(page)
    .getByRole('button', { name: /^Pad 0/ })
    .tap()
  await expect(now(page)).toContainText('Clean after 4 pads')
})

test('suction on bare skin: levels, a head for the creases, a zone that is left alone says why', async ({
  page,
}) => {
  const id = await runningVisit('other-22')
  const steps = await at(page, id, 'vacuumDry', [
    ...CLEAN,
    ['secondCleanse'],
    ['blot'],
    ['vacuumDry', GROUPS.tZone],
    ['tone'],
    ...CLOSING,
  ])
  // The hand first: it is confirmed before anything else is shown.
  await expect(now(page)).toContainText(/tried on the hand/i)
  await bigButton(page).tap()
  await expect(now(page)).toContainText('1 of 3')
  const heads = page.getByRole('group', { name: 'Head or electrode' })
  await expect(heads.getByRole('button', { name: 'wide head' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await heads.getByRole('button', { name: 'small head' }).tap()
  await expect(heads.getByRole('button', { name: 'small head' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await zone(page, 'cheekL').tap()
  await expect(page.getByRole('alert')).toContainText(/left cheek/i)
  for (const own of ['forehead', 'nose', 'chin'])
    for (let stroke = 0; stroke < 3; stroke++) await zone(page, own).tap()
  await end(page, 'Tone')
  const own = steps.find(({ technique }) => technique === 'vacuumDry')
  const put = (await eventsOf(id)).flatMap(({ body }) =>
    body.kind === 'fitted' && body.key === own?.key ? [body.fitting] : [],
  )
  expect(put).toEqual(['small'])
  recordEqualsTaps(await bundleOf(await asOwner(), id))
})

test('stones go out from the open nodes, and back the same way to the neck', async ({ page }) => {
  const id = await runningVisit('other-23')
  await at(page, id, 'stones', [
    ...CLEAN,
    ['secondCleanse'],
    ['stones'],
    ['ridge'],
    ['drainDown'],
    ['rinse'],
    ...CLOSING,
  ])
  await expect(now(page)).toContainText('Now: Open the collarbone')
  await end(page, 'Ridged edge across the folds')
  await expect(now(page)).toContainText('across a fold only')
  await end(page, 'The same way down')
  await expect(now(page)).toContainText('what was lifted is led away')
  await expect(now(page)).toContainText('Done when: The last stroke has reached the neck.')
})

test('one half cleansed against the other, the worked one first, each timed', async ({ page }) => {
  const id = await runningVisit('other-24')
  const set = {
    id: randomUUID(),
    moment: 'before',
    worked: 'R',
    light: 'ring lamp, lying',
    grades: { residue: { L: 3, R: 3 }, feel: { L: 1, R: 1 } },
  }
  const kept = await (await asOwner())(`/api/visits/${id}/halves`, { method: 'POST', body: set })
  expect(kept.status, kept.text).toBe(200)
  await at(page, id, 'secondCleanse', [...CLEAN, ['secondCleanse'], ['tone'], ...CLOSING])
  const sides = page.getByRole('group', { name: 'Half against half' })
  await expect(sides.getByRole('button').first()).toContainText('right')
  await sides.getByRole('button', { name: /^right/ }).tap()
  await expect(sides).toContainText(/right side: 0:\d\d more/)
  const feel = page.getByRole('group', { name: 'How the skin feels' })
  await feel.getByRole('button', { name: 'tight' }).tap()
  await expect(feel).toContainText('the next visit will say so')
  const sent = async () => (await eventsOf(id)).map(({ body }) => body)
  const felt = expect.objectContaining({ kind: 'felt', feel: 'tight' })
  await expect.poll(sent).toContainEqual(felt)
  expect(await sent()).toContainEqual(expect.objectContaining({ kind: 'side', side: 'R' }))
})

test('after crystals the skin is cleansed again; a mask slept in is the last layer', async ({
  page,
}) => {
  const id = await runningVisit('other-26')
  await at(page, id, 'crystals', [
    ...CLEAN,
    ['secondCleanse'],
    ['blot'],
    ['crystals', GROUPS.faceNoEyes],
    ['secondCleanse'],
    ['moisturiser'],
    ['sleepMask'],
    ['close'],
  ])
  await expect(now(page)).toContainText(/test spot/i)
  await bigButton(page).tap()
  await expect(now(page)).toContainText('Cleanse again afterwards')
  await end(page, 'Second cleanse, gel')
  await end(page, 'Moisturiser')
  await end(page, 'Leave-on mask, overnight')
  await expect(now(page)).toContainText('stays on overnight')
  await end(page, 'Sit up, look together')
  await expect(page.getByRole('group', { name: 'How the skin feels' })).toBeVisible()
  const bundle = await bundleOf(await asOwner(), id)
  recordEqualsTaps(bundle)
})

test('an oily remover is wiped off with damp pads before anything else', async ({ page }) => {
  const id = await runningVisit('other-27')
  await at(page, id, 'eyesOff', [['settle'], ['eyesOff'], ['dampPads'], ['milk'], ...CLOSING])
  await end(page, 'Damp pads at the eyes')
  await expect(now(page)).toContainText('Well-wrung pads')
  await end(page, 'Milk, face only')
  recordEqualsTaps(await bundleOf(await asOwner(), id))
})

test('high frequency goes over what is said, and says so on the record', async ({ page }) => {
  const id = await runningVisit('other-28')
  const steps = await at(page, id, 'highFrequency', [
    ...CLEAN,
    ['secondCleanse'],
    ['tone'],
    ['highFrequency', GROUPS.tZone],
    ...CLOSING,
  ])
  // Metal and jewellery first: it is confirmed before anything else is shown.
  await expect(now(page)).toContainText(/jewellery/i)
  await bigButton(page).tap()
  const over = page.getByRole('group', { name: 'What it goes over' })
  const isOn = (name: string) =>
    expect(over.getByRole('button', { name })).toHaveAttribute('aria-pressed', 'true')
  await isOn('toner')
  await over.getByRole('button', { name: 'gauze' }).tap()
  await isOn('gauze')
  await end(page, 'Moisturiser')
  const own = steps.find(({ technique }) => technique === 'highFrequency')
  const put = (await eventsOf(id)).flatMap(({ body }) =>
    body.kind === 'fitted' && body.key === own?.key ? [body.fitting] : [],
  )
  expect(put).toEqual(['overGauze'])
  recordEqualsTaps(await bundleOf(await asOwner(), id))
})
