import { describe, expect, it } from 'vitest'
import { product } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { promptAt, promptsOf } from './prompts'

/* Citrus peel oils, lime, fig and bergamot react to light for twelve hours; vitamin A makes skin mind
   the sun. Common practice: said while it goes on, and written on the card. */
describe('what a bottle asks to be said', () => {
  const step = usualStep('serum')
  const said = (...inci: readonly string[]) =>
    promptAt(step, step.minutes, [], product('serum', 'one', { inci })) ?? ''
  it('names the sun where it holds vitamin A or citrus, and is silent of everything else', () => {
    expect(said('Aqua', 'Retinol')).toMatch(/sun protection every morning/)
    expect(said('Aqua', 'Citrus Aurantium Bergamia Peel Oil')).toMatch(/twelve hours/)
    expect(said('Aqua', 'Glycerin')).toBe('')
  })
  it('comes as the hand ends, after what the step itself says', () => {
    const bottle = product('serum', 'one', { inci: ['Aqua', 'Retinol'] })
    const all = promptsOf(step, [], bottle)
    expect(all.at(-1)?.at).toBe(step.minutes)
    expect(promptAt(step, 0, [], bottle) ?? '').not.toMatch(/sun/)
  })
})
