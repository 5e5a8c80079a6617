import { propose } from '#core/planning/answer/propose'
import { WAYS } from '../reference/ways/ways'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { placePlan } from '../support/ownPlan'
import { bundleOf, someone, treating } from '../support/visit'
import { recordEqualsTaps, recordOf } from '../support/whatWasDone'
import { letIn, nextStep, sealIt } from '../support/walk'

/*
 * Each way of working from its first step to the seal, by touch. All of them in the full run; each
 * day three others, so that a week has seen every one.
 */
test.use({ hasTouch: true })
const A_DAY = 3
const DAY_MS = 86_400_000
const day = Math.floor(Date.now() / DAY_MS)
const shown = process.env.OAK_FULL
  ? WAYS
  : Array.from({ length: A_DAY }, (_, at) => WAYS[(day * A_DAY + at) % WAYS.length] ?? WAYS[0])

for (const way of shown)
  test(`${way?.name}: worked by touch to its end, on the record whole, and sealed`, async ({
    page,
  }) => {
    if (!way) return
    const owner = await asOwner()
    const id = await treating(owner, 'owner', await someone(owner, 'By Touch'))
    const { steps: planned } = propose(way.input)
    const steps = await placePlan(id, planned)
    await letIn(page, 'owner')
    await open(page, `/visits/${id}/treat`)
    const finished = page.getByRole('heading', { name: 'Finished' })
    const press = nextStep.bind(
      null,
      page,
      async () => {},
      (where) => where.tap(),
    )
    while (!(await finished.isVisible())) await press()
    await page.getByRole('link', { name: 'Write it up' }).tap()
    await page.waitForURL(/\/close$/)
    await sealIt(page)
    await expect(page.getByText(/^\s*Seal \d+ ·/)).toBeVisible()
    const bundle = await bundleOf(owner, id)
    recordEqualsTaps(bundle)
    const worked = recordOf(bundle).lines.filter(({ actualMinutes }) => actualMinutes !== null)
    const keys = new Set(worked.map(({ key }) => key))
    expect(steps.filter(({ key }) => !keys.has(key)).map(({ technique }) => technique)).toEqual([])
  })
