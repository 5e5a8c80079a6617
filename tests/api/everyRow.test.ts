import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import {
  CONTRAINDICATIONS,
  type Contraindication,
} from '#core/catalogue/consultation/contraindications'
import { FINDINGS } from '#core/catalogue/consultation/findings'
import { outOfReach } from '#core/catalogue/techniques/reach'
import { TECHNIQUE_IDS, TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { GROUPS, zonesOf } from '#core/face/regions'
import { REGION_IDS, type RegionId } from '#core/face/zones'
import { addDays } from '#core/screening/asking/days'
import { allNo } from '#core/testing/fixtures'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, prepared } from '../support/visit'

let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})

/** A technique of a row's kinds, and a region that it reaches and the row stops. */
function forbidden(row: Contraindication) {
  for (const technique of TECHNIQUE_IDS) {
    const { families, groups, licence, byChoice } = TECHNIQUES[technique]
    // What only some houses work with has no bottle here, and that is said before all else.
    if (
      byChoice ||
      licence !== 'basic' ||
      !row.families.some((family) => families.includes(family))
    )
      continue
    const region = REGION_IDS.find(
      (own) =>
        groups.some((group) => GROUPS[group].includes(own)) &&
        !outOfReach(families).includes(own) &&
        (typeof row.where === 'string' || row.where.includes(own)),
    )
    if (region) return { technique, region }
  }
  return undefined
}
const told = (row: Contraindication, region: RegionId, today: string) => {
  const { asks } = FINDINGS[row.finding]
  const dated = row.days !== undefined || row.ahead !== undefined || asks.includes('date')
  return {
    say: 'yes',
    ...(dated ? { date: addDays(today, Math.min(1, row.ahead ?? 0)) } : {}),
    ...(asks.includes('zones') ? { zones: [...zonesOf(region)].slice(0, 1) } : {}),
    ...(row.work === undefined ? {} : { work: [row.work] }),
  }
}

describe('each row that stops work, at the house itself', () => {
  it('refuses a plan made past it, and lets the plan pass that row when the answer is no', async () => {
    const id = await prepared(owner, 'owner', 'other-31')
    const { today } = await bundleOf(owner, id)
    const put = (path: string, body: object) =>
      owner(`/api/visits/${id}/${path}`, { method: 'PUT', body })
    const answer = (more: object) =>
      put('answers', { id: randomUUID(), answers: { ...allNo(), ...more }, medicines: '' })
    const rows = CONTRAINDICATIONS.filter((row) => row.does !== 'restricts' && !row.visit)
    let refused = 0
    for (const row of rows) {
      const own = forbidden(row)
      if (!own) continue
      const { technique, region } = own
      const { least } = TECHNIQUES[technique].minutes
      const steps = [
        { key: `${technique}-9`, technique, regions: [region], minutes: least, why: [] },
      ]
      const words = async () => {
        const reply = await put('plan', { steps })
        const { fields = [] } = reply.body as { fields?: { field: string; allowed: string }[] }
        return { status: reply.status, text: fields.map((field) => field.allowed).join(' | ') }
      }
      expect((await answer({ [row.finding]: told(row, region, today) })).status, row.id).toBe(200)
      const yes = await words()
      expect(yes.status, `${row.id}: ${technique} on ${region}`).toBe(422)
      expect((await answer({})).status).toBe(200)
      const no = await words()
      const newly = yes.text.split(' | ').filter((text) => !no.text.includes(text))
      expect(newly, `${row.id}: ${technique}: ${yes.text}`).not.toEqual([])
      refused++
    }
    console.log(`≈ ${refused} rows refused a plan over the wire`)
    expect(refused).toBeGreaterThan(25)
  })
})
