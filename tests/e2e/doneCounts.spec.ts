import { randomUUID } from 'node:crypto'
import { expect, test } from '../support/browserTest'
import type { DayPage } from '#contracts/replies/day'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { addDays } from '#core/screening/asking/days'
import { readAll, RESILIENT } from '#core/testing/fixtures'
import type { VisitBundle } from '#core/visit/bundle'
import { asOwner, open } from '../support/house'
import { book, bundleOf, someone, tap, treating } from '../support/visit'
import { askAsBefore, choose, nextStep, readAsBefore, sealIt, letIn } from '../support/walk'

const MINUTE = 60_000
/** Minutes that the mask has lain: longer than any may. */
const RESTED = 45
const NAME = 'Done Counts Here'
/** Rough and congested: something that takes off rests on this face. */
const ROUGH = readAll({ ...RESILIENT, texture: 3, congestion: 3 })
const planOf = (bundle: VisitBundle): PlanStep[] =>
  bundle.plans.find((plan) => plan.version === 1)?.steps ?? []

/**
 * The visit up to what rests: each step as long as planned, the mask on the face
 * longer than it may rest. What follows is tapped in the room.
 */
async function untilTheMaskIsLate(id: string): Promise<{ mask: PlanStep; steps: PlanStep[] }> {
  const steps = planOf(await bundleOf(await asOwner(), id))
  const place = steps.findIndex((step) => TECHNIQUES[step.technique].dwell !== undefined)
  const mask = steps[place]
  if (!mask) throw new Error('nothing rests in this plan')
  const before = steps.slice(0, place + 1)
  let at = Date.now() - (before.reduce((sum, { minutes }) => sum + minutes, 0) + RESTED) * MINUTE
  const events = [tap({ kind: 'started' }, at)]
  for (const step of before)
    events.push(tap({ kind: 'stepDone', key: step.key, cue: true }, (at += step.minutes * MINUTE)))
  const call = await asOwner()
  const reply = await call(`/api/visits/${id}/events`, { method: 'POST', body: { events } })
  if (reply.status !== 200) throw new Error(reply.text)
  // The bare skin was read: redness is held against it.
  const bare = { id: randomUUID(), phase: 'bare', zones: ROUGH }
  await call(`/api/visits/${id}/readings`, { method: 'POST', body: bare })
  return { mask, steps }
}

test('what was done counts from the room on: record, card, stock, ledger, Day, file and the next plan', async ({
  page,
}) => {
  test.slow()
  const call = await asOwner()
  const client = await someone(call, NAME)
  const id = await treating(call, 'owner', client, {
    aims: ['dullness', 'congestion'],
    zones: ROUGH,
  })
  const { mask, steps } = await untilTheMaskIsLate(id)
  const before = await bundleOf(call, id)
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await expect(page.getByText(/^(late: |over its time)/)).toBeVisible()
  const heading = page.getByRole('heading', { level: 1 })

  // One cheek reddens under what exfoliates: it ends there, and only there.
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Left cheek' }).click()
  const baseline = RESILIENT.redness ?? 0
  await page.getByRole('button', { name: new RegExp(`^${baseline + 1} `) }).click()
  await expect(page.getByText(/end the step on this zone/)).toBeVisible()
  await page.getByRole('button', { name: 'Close', exact: true }).click()

  // A hold that lies over a step's end, then on to the first bottle after the mask.
  await page.getByRole('button', { name: 'Hold' }).click()
  await nextStep(page)
  await page.getByRole('button', { name: 'Go on' }).click()
  const cream = TECHNIQUES.moisturiser.name
  while ((await heading.innerText()) !== cream) {
    await expect(heading).not.toHaveText('Finished')
    await nextStep(page)
  }
  // The bottle is swapped, then the skin burns under it: one zone reddens, and it stops.
  await page.getByRole('button', { name: 'Swap', exact: false }).click()
  const other = page.getByRole('heading', { name: 'Use instead' }).locator('..').getByRole('button')
  const taken = (await other.first().innerText()).trim()
  await other.first().click()
  await page.getByRole('button', { name: 'ran out' }).click()
  await expect(page.getByText(taken).first()).toBeVisible()
  await nextStep(page)
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Left cheek' }).click()
  await page.getByRole('button', { name: 'Sensation 8' }).click()
  await expect(page.getByRole('heading', { name: 'Stop. Off with cool water.' })).toBeVisible()
  for (const said of [
    'Take everything off with cool water',
    'Cold compress, two minutes',
    'Nothing active for the rest of today',
  ])
    await page.getByRole('button', { name: said }).click()
  await page.getByLabel('What', { exact: true }).fill('Burning under the cream')
  await choose(page, 'Suspected', taken)
  await page.getByRole('button', { name: 'Save form' }).click()
  await page.getByRole('button', { name: 'Give the emergency card' }).click()
  await page.getByRole('button', { name: 'Go on, calm only' }).click()
  await expect(page.getByRole('timer')).toBeVisible()
  while (!(await page.getByRole('heading', { name: 'Finished' }).isVisible())) await nextStep(page)

  // The record says it, line by line.
  await page.getByRole('link', { name: 'Write it up' }).click()
  const lines = page.getByRole('row')
  await expect(lines.filter({ hasText: TECHNIQUES[mask.technique].name }).first()).toContainText(
    /latest|overr|rested/,
  )
  await expect(page.getByText(/ended on the left cheek/).first()).toBeVisible()
  await expect(page.getByText('Burning under the cream').first()).toBeVisible()
  await expect(
    page
      .getByText(/plainest cream/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible()
  await sealIt(page)
  await expect(page.getByText(/^\s*Seal \d+/)).toBeVisible()
  await page.getByLabel('Day', { exact: true }).fill('2031-09-17')
  await page.getByRole('button', { name: 'Book the next visit' }).click()
  await expect(page.getByText('Booked:')).toBeVisible()

  // Stock: the swapped bottle was poured from, and after it burned no further.
  const after = await bundleOf(call, id)
  const left = (bundle: VisitBundle, name: string) =>
    bundle.shelf
      .filter(({ product }) => product.name === name)
      .flatMap(({ lots }) => lots)
      .reduce((sum, lot) => sum + lot.remainingMillilitres, 0)
  expect(left(after, taken)).toBeLessThan(left(before, taken))
  const calm = after.plans.at(-1)?.steps ?? []
  const burned = after.shelf.find(({ product }) => product.name === taken)?.product.id
  const done = new Set(steps.map(({ key }) => key))
  const anew = calm.filter(({ key }) => !done.has(key)).map(({ productId }) => productId)
  expect(anew).not.toContain(burned)

  // Day and file: the call is due until it was made, and the next visit stands on its day.
  const due = addDays(after.today, 1)
  const dayOf = async (day: string) => (await call(`/api/day?date=${day}`)).body as DayPage
  expect((await dayOf(due)).calls.filter((own) => own.visitId === id)).toHaveLength(1)
  expect((await dayOf('2031-09-17')).visits.filter((own) => own.clientId === client)).toHaveLength(
    1,
  )
  await open(page, `/people/${client}`)
  await expect(page.getByText(`reacted: ${taken}`).first()).toBeVisible()
  await page.getByRole('button', { name: 'Called' }).click()
  await expect(page.getByRole('button', { name: 'Called' })).toHaveCount(0)
  expect((await dayOf(due)).calls.filter((own) => own.visitId === id)).toEqual([])

  // The next visit begins with it, and its plan does not reach for that bottle again.
  const next = await book(call, 'owner', client)
  await open(page, `/visits/${next}/ask`)
  await expect(page.getByText(/^\s*Last time, .*Burning under the cream/)).toBeVisible()
  await askAsBefore(page, NAME)
  await readAsBefore(page)
  await expect(
    page
      .getByRole('link', { name: 'Lay out the tray' })
      .or(page.getByRole('button', { name: 'Lay out the tray' })),
  ).toBeEnabled({ timeout: 60_000 })
  await expect(page.getByText(`reacted: ${taken}`).first()).toBeVisible()
  const bottles = async () =>
    (await bundleOf(call, next)).plans.at(-1)?.steps.map(({ productId }) => productId) ?? []
  await expect.poll(async () => (await bottles()).length).toBeGreaterThan(0)
  expect(await bottles()).not.toContain(burned)
  await expect(page.getByText(/Last time was too much/).first()).toBeVisible()
})
