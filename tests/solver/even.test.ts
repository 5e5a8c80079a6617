import { expect, it } from 'vitest'
import { compared } from './realistic'

it('the best plan of each realistic seeded case with an even seed is what an outside solver finds', async () => {
  const seen = await compared(1)
  expect(seen.differ).toEqual([])
  expect(seen.solved).toBeGreaterThan(seen.cases * 0.8)
})
