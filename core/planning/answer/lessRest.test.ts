import fc from 'fast-check'
import { describe, it } from 'vitest'
import { CONCERN_IDS } from '../../catalogue/kinds'
import { HOME_POURINGS } from '../../catalogue/consultation/home'
import { visitBundle } from '../../testing/bundle'
import { freer } from '../../testing/freer'
import { allNo, TODAY } from '../../testing/fixtures'
import type { Answer } from '../../screening/asking/answers'
import { toPlanInput } from '../../visit/planInput'
import type { VisitBundle } from '../../visit/bundle'

const RUNS = process.env.OAK_FULL ? Number(process.env.OAK_RUNS ?? 200) : 25
const HOUR = 3_600_000
const aims = fc.uniqueArray(fc.constantFrom(...CONCERN_IDS), { minLength: 1, maxLength: 4 })
const grade = fc.integer({ min: 0, max: 4 })
const client = fc.record({
  aims,
  dull: grade,
  congested: grade,
  minutes: fc.integer({ min: 45, max: 90 }),
})
type Client = typeof client extends fc.Arbitrary<infer T> ? T : never

/** A visit of this client; what is told stands beside a "no" to everything else. */
function visitOf(
  { aims, dull, congested, minutes }: Client,
  told: Record<string, Answer>,
  more: Partial<VisitBundle> = {},
) {
  const plain = visitBundle()
  const seen = { dullness: dull, congestion: congested }
  const bare = Object.fromEntries(
    Object.entries(plain.readings.bare ?? {}).map(([zone, read]) => [zone, { ...read, ...seen }]),
  ) as VisitBundle['readings']['bare']
  return toPlanInput({
    ...plain,
    ...more,
    visit: { ...plain.visit, aims, minutes },
    readings: { madeUp: null, bare },
    answers: allNo(told),
  })
}
const ZONES: Answer['zones'] = ['cheekL', 'chin', 'jawR', 'upperLip']

describe('less rest never allows more, nor makes a better plan', () => {
  const { startsAt } = visitBundle().visit
  it('an hour less since the shave', () => {
    fc.assert(
      fc.property(
        client,
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 20 }),
        (who, hours, less) => {
          const shaved = (ago: number) => {
            const at = startsAt - ago * HOUR
            const date = new Date(at).toISOString().slice(0, 10)
            return visitOf(who, { shaveWax: { say: 'yes', date, at, zones: ZONES } })
          }
          freer(shaved(hours + less), shaved(hours))
        },
      ),
      { numRuns: RUNS },
    )
  })
  it('something used at home today, at whatever hour it was told', () => {
    fc.assert(
      fc.property(
        client,
        fc.constantFrom(...HOME_POURINGS.map((row) => row.finding)),
        fc.option(fc.integer({ min: 0, max: 12 })),
        (who, finding, ago) => {
          const hour = ago === null ? {} : { at: startsAt - ago * HOUR }
          const used = visitOf(who, { [finding]: { say: 'yes', date: TODAY, ...hour } })
          freer(visitOf(who, {}), used)
        },
      ),
      { numRuns: RUNS },
    )
  })
  it('a product that was suspected of a reaction', () => {
    const shelf = visitBundle().shelf.map((item) => item.product)
    fc.assert(
      fc.property(client, fc.constantFrom(...shelf), (who, product) => {
        const reaction = {
          at: startsAt - 400 * HOUR,
          day: '2026-02-20',
          productId: product.id,
          productName: product.name,
          inci: product.inci,
          what: 'burning',
        }
        freer(visitOf(who, {}), visitOf(who, {}, { reactions: [reaction] }))
      }),
      { numRuns: RUNS },
    )
  })
})
