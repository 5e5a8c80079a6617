import type { PlanStep } from '#core/catalogue/techniques/step'
import { GROUPS } from '#core/face/regions'
import { onSide } from '#core/face/sides'
import { minutes } from '#core/units'
import { expect, test } from '../support/browserTest'
import { asOwner, open, plannedVisit, runningVisit } from '../support/house'
import { done, placePlan, tell } from '../support/ownPlan'
import { bundleOf } from '../support/visit'
import { recordEqualsTaps, recordOf } from '../support/whatWasDone'
import { bigButton, letIn } from '../support/walk'

/* Two products side by side: one on the left half of the face, another on the right. */
test.use({ hasTouch: true })

test('a step of the plan is put on one half, and another product on the other', async ({
  page,
}) => {
  const id = await plannedVisit('other-29')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/plan`)
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem')
  const named = (name: RegExp) => steps.filter({ has: page.getByText(name) })
  await named(/^Moisturiser/)
    .first()
    .click()
  const aside = page.getByRole('complementary', { name: 'Step and skin' })
  const sides = aside.getByRole('group', { name: 'Sides of the face' })
  await sides.getByRole('button', { name: 'Only left' }).click()
  await expect(
    aside
      .getByRole('img', { name: /left half of the/ })
      .or(aside.getByRole('group', { name: /left half of the/ })),
  ).toBeVisible()
  await aside.getByRole('button', { name: 'Add the right half' }).click()
  await expect(named(/^Moisturiser/)).toHaveCount(2)
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  const plan = async () => {
    const { plans } = await bundleOf(await asOwner(), id)
    const own = plans.find(({ version }) => version === 0)?.steps ?? []
    return own.filter(({ technique }) => technique === 'moisturiser').map(({ half }) => half)
  }
  await expect.poll(plan).toEqual(['L', 'R'])
})

test('each half is worked and written down by itself', async ({ page }) => {
  const id = await runningVisit('other-30')
  const step = (key: string, more: Partial<PlanStep>): PlanStep => ({
    key,
    technique: 'serum',
    minutes: minutes(1),
    regions: GROUPS.face,
    why: [],
    ...more,
  })
  const [left, right] = [
    onSide({ regions: GROUPS.face }, 'L'),
    onSide({ regions: GROUPS.face }, 'R'),
  ]
  const planned = await placePlan(id, [
    step('milk-1', { technique: 'milk' }),
    step('tone-1', { technique: 'tone' }),
    step('serum-1', { ...left, half: 'L' }),
    step('serum-2', { ...right, half: 'R' }),
    step('moisturiser-1', { technique: 'moisturiser' }),
    step('close-1', { technique: 'close', regions: [] }),
  ])
  await tell(id, { kind: 'started' })
  for (const own of planned.slice(0, 2)) await tell(id, done(own))
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  const now = page.getByRole('region', { name: 'Now' })
  await expect(now).toContainText('left half of the face')
  await expect(page.getByText('Then serum, right half')).toBeVisible()
  const goOn = (to: string) =>
    expect(async () => {
      if (!(await now.innerText()).includes(to)) await bigButton(page).tap()
      await expect(now).toContainText(to, { timeout: 2_000 })
    }).toPass()
  await goOn('right half of the face')
  await goOn('Moisturiser')
  const bundle = await bundleOf(await asOwner(), id)
  recordEqualsTaps(bundle)
  const zones = recordOf(bundle)
    .lines.filter(({ technique }) => technique === 'serum')
    .map((line) => line.zones)
  expect(zones).toEqual(['left half of the face', 'right half of the face'])
})
