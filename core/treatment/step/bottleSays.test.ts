import { describe, expect, it } from 'vitest'
import { KITCHEN_HARM_ROWS } from '../../catalogue/products/kitchen'
import { AFTERCARE } from '../../catalogue/rules/aftercare'
import { BOTTLE_SAYS } from '../../catalogue/rules/room'
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
  it('says of citrus the hours that the card keeps, and so does its rule', () => {
    const row = AFTERCARE.find(({ after }) => after === 'lightReactive')
    expect(row?.hours).toBe(12)
    expect(BOTTLE_SAYS.find(({ holds }) => holds === 'lightReactive')?.say).toMatch(/twelve hours/)
    expect(KITCHEN_HARM_ROWS.light.sentence).toMatch(/twelve hours/)
  })
  it('comes as the hand ends, after what the step itself says', () => {
    const bottle = product('serum', 'one', { inci: ['Aqua', 'Retinol'] })
    const all = promptsOf(step, [], bottle)
    expect(all.at(-1)?.at).toBe(step.minutes)
    expect(promptAt(step, 0, [], bottle) ?? '').not.toMatch(/sun/)
  })
})
