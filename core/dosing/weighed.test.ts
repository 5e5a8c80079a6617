import { describe, expect, it } from 'vitest'
import { measureFromWeight } from './weighed'

describe('a dispenser that is weighed', () => {
  it('gives weight by density by count', () => {
    expect(measureFromWeight(8, 1)).toBe(0.8)
    expect(measureFromWeight(12, 1.2)).toBe(1)
    expect(measureFromWeight(1.75, 1, 50)).toBe(0.035)
  })
  it('makes nothing of nothing', () => {
    expect(measureFromWeight(0, 1)).toBeUndefined()
    expect(measureFromWeight(5, 0)).toBeUndefined()
    expect(measureFromWeight(Number.NaN, 1)).toBeUndefined()
  })
})
