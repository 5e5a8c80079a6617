import { propose } from '#core/planning/answer/propose'
import { WAYS } from '../reference/ways/ways'
import { expect, test } from '../support/browserTest'
import { asOwner, open } from '../support/house'
import { placePlan } from '../support/ownPlan'
import { bundleOf, someone, treating } from '../support/visit'
import { recordEqualsTaps, recordOf } from '../support/whatWasDone'
import { letIn, nextStep, sealIt } from '../support/walk'

/*
 * Ways of working from their first step to the seal, by touch: all of them in the full run, and the
 * same few in every other.
 */
test.use({ hasTouch: true })
const EVERY = process.env.OAK_FULL ? 1 : 11

for (const way of WAYS.filter((_, at) => at % EVERY === 0))
  test(`${way.name}: worked by touch to its end, on the record whole, and sealed`, async ({
    page,
  }) => {
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
