import { expect, it } from 'vitest'
import { compared } from './realistic'

it('the best plan of each realistic seeded case with an odd seed is what an outside solver finds', async () => {
  const seen = await compared(0)
  expect(seen.differ).toEqual([])
  expect(seen.solved).toBeGreaterThan(seen.cases * 0.8)
})
