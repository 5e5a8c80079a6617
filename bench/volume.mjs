import { performance } from 'node:perf_hooks'
import { openHouse } from '../scripts/house.mjs'
import { quantile, ms, times } from './numbers.mjs'
import { filling } from './filling.mjs'
import { ownerGets } from './owner.mjs'

/** A house after years: so many clients, twenty visits each. */
const SMALL = 1_000
const LARGE = 10_000
const VISITS_EACH = 20
const ROUNDS = 15
const WARM = 3

/**
 * Lists, search, a day, a file, the shelf and a stretch of the chain in two houses that are alike but
 * for their size: what ten times the data costs.
 */
export default async function volume() {
  const small = await measured(SMALL)
  const large = await measured(LARGE)
  const worst = Math.max(...Object.keys(small).map((what) => large[what] / small[what]))
  return [
    ...Object.keys(small).map(
      (what) =>
        `${what.padEnd(22)} ${ms(small[what])} → ${ms(large[what])} = ` +
        `${times(large[what] / small[what])}`,
    ),
    `ten times the data costs at most ${times(worst)} the time (aim: at most 1.5 ×)`,
  ]
}

async function measured(clients) {
  const house = await openHouse('bench-volume', { firstPort: 24770, wanted: 4485 })
  try {
    house.cluster.sql(filling(clients, clients * VISITS_EACH), 'oak_basin')
    house.cluster.sql('ANALYZE', 'oak_basin')
    const get = await ownerGets(house)
    const { people } = await get('/api/people?q=Client%20500')
    const { visits } = await get('/api/day')
    const asked = {
      'people, first page': '/api/people',
      'people, a later page': '/api/people?page=12',
      'people, search': '/api/people?q=lient%2077',
      day: '/api/day',
      week: `/api/week?date=${new Date().toISOString().slice(0, 10)}`,
      'free places': `/api/places?from=${new Date().toISOString().slice(0, 10)}&days=7&minutes=60`,
      'client file': `/api/people/${people[0].id}`,
      visit: `/api/visits/${visits.at(-1).id}`,
      shelf: '/api/shelf',
      practice: '/api/practice',
      'chain, a stretch': '/api/practice/chain?after=0',
      audit: '/api/audit',
    }
    const medians = {}
    for (const [what, path] of Object.entries(asked)) {
      const all = []
      for (let round = 0; round < ROUNDS + WARM; round++) {
        const began = performance.now()
        await get(path)
        if (round >= WARM) all.push(performance.now() - began)
      }
      medians[what] = quantile(all, 0.5)
    }
    return medians
  } finally {
    await house.close()
  }
}
