import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { backupIsDue, LOOK_MS } from '../../scripts/nightlyDue.mjs'

const HOUR = 3_600_000
const FROM = Date.UTC(2026, 2, 20)
const DAYS = 20

/** A house lived through with its clock moved on, look by look; `on` says when it runs. */
function backups(on: (at: number) => boolean, first = 0): number[] {
  const made: number[] = []
  for (let at = FROM; at < FROM + DAYS * 24 * HOUR; at += LOOK_MS)
    if (on(at) && backupIsDue(new Date(at), made.at(-1) ?? first)) made.push(at)
  return made
}
const nightOf = (at: number) => new Date(at).toDateString()
const isNight = (at: number) => new Date(at).getHours() < 6

describe('the nightly backup, by a moved clock', () => {
  // A machine whose clock is put forward on 29 March 2026.
  const zone = process.env.TZ
  beforeAll(() => void (process.env.TZ = 'Europe/Helsinki'))
  afterAll(() => {
    if (zone === undefined) delete process.env.TZ
    else process.env.TZ = zone
  })
  it('of a house that always runs is made once each night, over the change of the clocks too', () => {
    const made = backups(() => true)
    const [, ...nights] = made
    expect(nights.every(isNight)).toBe(true)
    expect(new Set(made.map(nightOf)).size).toBe(made.length)
    expect(made.length).toBeGreaterThanOrEqual(DAYS - 1)
  })
  it('of a house that is switched on by day is made on each of those days, and not twice', () => {
    const byDay = (at: number) => new Date(at).getHours() >= 8 && new Date(at).getHours() < 18
    const made = backups(byDay)
    expect(new Set(made.map(nightOf)).size).toBe(made.length)
    expect(made.length).toBeGreaterThanOrEqual(DAYS / 2)
  })
  it('whenever the house runs: never older than 26 hours and a look, never two within 20', () => {
    const sleeps = fc.array(
      fc.record({
        from: fc.integer({ min: 0, max: DAYS * 24 }),
        hours: fc.integer({ min: 1, max: 60 }),
      }),
      { maxLength: 8 },
    )
    fc.assert(
      fc.property(sleeps, (off) => {
        const runs = (at: number) =>
          off.every(
            ({ from, hours }) => at < FROM + from * HOUR || at >= FROM + (from + hours) * HOUR,
          )
        const made = backups(runs)
        for (const [i, at] of made.entries())
          expect(at - (made[i - 1] ?? 0)).toBeGreaterThan(20 * HOUR)
        for (let at = FROM; at < FROM + DAYS * 24 * HOUR; at += LOOK_MS) {
          if (!runs(at)) continue
          const last = made.findLast((own) => own <= at) ?? 0
          expect(at - last).toBeLessThanOrEqual(26 * HOUR + LOOK_MS)
        }
      }),
      { numRuns: 60 },
    )
  })
})
