import { expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { compile } from './compile'

it('keeps the two-mask block on disjoint regions', () => {
  const planCase = compile(
    planInput({
      aims: ['shine', 'dehydration'],
      readings: readAll(
        { ...RESILIENT, oil: 1, congestion: 1 },
        Object.fromEntries(
          (['forehead', 'nose', 'chin'] as const).map((id) => [id, { ...RESILIENT, oil: 3 }]),
        ),
      ),
    }),
  )
  const both =
    planCase.stages
      .find((stage) => stage.id === 'mask')
      ?.options.filter((option) => option.main.length === 2) ?? []
  expect(both.length).toBeGreaterThan(0)
  for (const option of both) {
    const [key, value] = option.moves.filter((move) => move.dwell !== undefined)
    expect((key?.regions ?? []).filter((region) => value?.regions.includes(region))).toEqual([])
    expect(key?.regions.length).toBeLessThanOrEqual(GROUPS.face.length)
  }
})
