import { performance } from 'node:perf_hooks'
import { openHouse } from '../scripts/house.mjs'
import { bundled } from './bundled.mjs'
import { FRAME_MS, ms, quantile, times } from './numbers.mjs'
import { ownerCookie } from './owner.mjs'

const ROUNDS = 40

/**
 * A full proposal for each visit of the demo's day, as the page asks for it after an edit; and the
 * check of a finished plan, which runs at every key.
 */
export default async function proposal() {
  const house = await openHouse('bench', { firstPort: 24760, wanted: 4480 })
  try {
    const { propose, checkPlan, toPlanInput } = await bundled([
      'core/planning/answer/propose.ts',
      'core/planning/checks/check.ts',
      'core/visit/planInput.ts',
    ])
    const inputs = (await bundles(house)).map((bundle) => [
      bundle.client.name,
      toPlanInput({
        ...bundle,
        answers: bundle.answered ? bundle.answers : (bundle.previousAnswers ?? {}),
        readings: bundle.readings.madeUp
          ? bundle.readings
          : { madeUp: bundle.previousReading?.zones ?? null, bare: null },
      }),
    ])
    const all = []
    const checks = []
    const lines = []
    for (const [name, input] of inputs) {
      for (let i = 0; i < 5; i++) propose(input)
      const own = []
      let plan
      for (let i = 0; i < ROUNDS; i++) {
        const began = performance.now()
        plan = propose(input)
        own.push(performance.now() - began)
      }
      for (let i = 0; i < ROUNDS; i++) {
        const began = performance.now()
        checkPlan(input, plan.steps)
        checks.push(performance.now() - began)
      }
      all.push(...own)
      lines.push(
        `${name.padEnd(18)} ${String(plan.steps.length).padStart(2)} steps, ${plan.minutes} ` +
          `of ${input.slotMinutes} min: median ${ms(quantile(own, 0.5))}, p95 ` +
          `${ms(quantile(own, 0.95))}`,
      )
    }
    return [
      ...lines,
      `proposal, all ${inputs.length} clients × ${ROUNDS}: median ` +
        `${ms(quantile(all, 0.5))}, p95 ${ms(quantile(all, 0.95))} = ` +
        `${times(quantile(all, 0.95) / FRAME_MS)} of one frame (aim: at most 1 ×)`,
      `check of a plan: median ${ms(quantile(checks, 0.5))}, p95 ` +
        `${ms(quantile(checks, 0.95))} = ${times(quantile(checks, 0.95) / FRAME_MS)} of one ` +
        `frame`,
    ]
  } finally {
    await house.close()
  }
}

async function bundles(house) {
  const { address } = house
  const cookie = await ownerCookie(house)
  const get = async (path) => (await fetch(`${address}${path}`, { headers: { cookie } })).json()
  const { visits } = await get('/api/day')
  return Promise.all(visits.map((visit) => get(`/api/visits/${visit.id}`)))
}
