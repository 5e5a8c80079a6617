import { expect, it } from 'vitest'
import { seasonOf } from './season'

it('knows the season by the month and the half of the earth', () => {
  expect(
    ['01', '04', '07', '10', '12'].map((month) => seasonOf(`2026-${month}-10`, 'Europe/Helsinki')),
  ).toEqual(['winter', 'spring', 'summer', 'autumn', 'winter'])
  expect(
    ['01', '04', '07', '10', '12'].map((month) => seasonOf(`2026-${month}-10`, 'Australia/Hobart')),
  ).toEqual(['summer', 'autumn', 'winter', 'spring', 'summer'])
})
