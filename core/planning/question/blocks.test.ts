import { expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import { planInput } from '../../testing/fixtures'
import { compile } from './compile'

it('keeps the two-mask block on disjoint regions', () => {
  const c = compile(planInput())
  const both =
    c.stages.find((s) => s.id === 'mask')?.options.filter((o) => o.main.length === 2) ?? []
  expect(both.length).toBeGreaterThan(0)
  for (const o of both) {
    const [a, b] = o.moves.filter((m) => m.dwell !== undefined)
    expect((a?.regions ?? []).filter((r) => b?.regions.includes(r))).toEqual([])
    expect(a?.regions.length).toBeLessThanOrEqual(GROUPS.face.length)
  }
})
