import { describe, expect, it } from 'vitest'
import { propose } from '../../planning/answer/propose'
import { productTrouble } from '../../planning/today/bottles'
import { screen } from '../../screening/verdict/verdict'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { familiesOfBottle } from './families'

const serum = (inci: string[]) => product('serum', 'one', { inci })

describe('what a bottle belongs to by what it holds', () => {
  it('finds retinoids, acids, actives and spirit, and leaves fatty alcohols alone', () => {
    expect(familiesOfBottle(serum(['Aqua', 'Retinol']))).toEqual(['retinoid', 'leaveOnActive'])
    expect(familiesOfBottle(serum(['Aqua', 'Ascorbic Acid']))).toEqual(['leaveOnActive'])
    expect(familiesOfBottle(serum(['Aqua', 'Cetearyl Alcohol']))).toEqual([])
    expect(familiesOfBottle(product('toner', 't', { inci: ['Aqua', 'Alcohol Denat.'] }))).toEqual([
      'alcohol',
    ])
    expect(familiesOfBottle(product('acidMask', 'a', { inci: ['Aqua'] }))).toEqual(['acid'])
  })
  it('"no actives for two weeks" keeps the serum with an active on the shelf, and another may go on', () => {
    const answers = allNo({
      recentTreatment: { say: 'yes', date: TODAY, work: ['peel'], zones: ['cheekL'] },
    })
    const shelf = [serum(['Aqua', 'Ascorbic Acid']), product('serum', 'plain', { inci: ['Aqua'] })]
    const input = planInput({
      answers,
      verdict: screen(answers, TODAY),
      shelf: shelf.map((own) => ({ product: own, lots: [lot(own.id)] })),
    })
    const rules = (id: string) =>
      input.shelf
        .filter((item) => item.product.id === id)
        .flatMap((item) => productTrouble(item.product, item.lots, input).map((bar) => bar.rule))
    expect(rules('one')).toContain('elsewhere-peel')
    expect(rules('plain')).toEqual([])
  })
  it('after an acid the planner takes the serum that leaves no active behind', () => {
    const usual = planInput()
    const shelf = [
      ...usual.shelf.filter((item) => item.product.kind !== 'serum'),
      ...[
        product('serum', 'bright', { inci: ['Aqua', 'Ascorbic Acid'], suits: ['all', 'oily'] }),
        product('serum', 'plain', { inci: ['Aqua', 'Glycerin'], suits: ['all'] }),
      ].map((own) => ({ product: own, lots: [lot(own.id)] })),
    ]
    const input = planInput({
      shelf,
      school: 'brightLamp',
      aims: ['dullness', 'dehydration'],
      readings: readAll({ ...RESILIENT, oil: 3, texture: 3 }),
      wanted: ['acidMask', 'serum'],
      usedBefore: ['bright'],
    })
    const { steps } = propose(input)
    expect(steps.map((step) => step.technique)).toContain('acidMask')
    expect(steps.find((step) => step.technique === 'serum')?.productId).toBe('plain')
  })
})
