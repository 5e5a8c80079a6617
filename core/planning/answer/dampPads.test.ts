import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { eyesMadeUp } from '../../catalogue/consultation/makeUp'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { lot, product } from '../../testing/fixtures'
import { inputOfPerson, person } from '../../testing/randomPeople'
import { checkPlan } from '../checks/check'
import type { PlanInput } from '../input'
import { applyEdits } from '../steps/edit'
import { propose } from './propose'

/* Common practice: what an oily remover leaves round the eye is wiped off with damp pads before anything
   else; a watery one leaves nothing to wipe. */

const OILY = [
  ['Isododecane', 'Aqua', 'Sodium Chloride'],
  ['Helianthus Annuus Seed Oil', 'Tocopherol'],
  ['Aqua', 'Cyclopentasiloxane'],
]
const WATERY = [
  ['Aqua', 'Poloxamer 184'],
  ['Aqua', 'Glycerin', 'Polysorbate 20'],
  ['Aqua', 'PEG-40 Hydrogenated Castor Oil'],
]
/** The same shelf with this remover for the eyes and no other. */
function removedWith(input: PlanInput, inci: readonly string[]): PlanInput {
  const own = product('eyeRemover', 'own-remover', { inci: [...inci] })
  const others = input.shelf.filter(({ product: { kind } }) => kind !== 'eyeRemover')
  return { ...input, shelf: [...others, { product: own, lots: [lot(own.id)] }] }
}
const madeUp = person.filter(({ makeUp }) => eyesMadeUp(makeUp))
const names = ({ steps }: { steps: readonly { technique: TechniqueId }[] }) =>
  steps.map(({ technique }) => technique)

describe('what a remover leaves round the eyes', () => {
  it('comes off with damp pads straight after it, where it is oily, and nowhere else', () => {
    let seen = 0
    fc.assert(
      fc.property(
        madeUp,
        fc.constantFrom(...OILY),
        fc.constantFrom(...WATERY),
        (who, oil, water) => {
          const input = inputOfPerson(who)
          const after = names(propose(removedWith(input, oil)))
          const at = after.indexOf('eyesOff')
          if (at >= 0) seen += 1
          expect(after.filter((id) => id === 'dampPads').length).toBe(at >= 0 ? 1 : 0)
          if (at >= 0) expect(after[at + 1]).toBe('dampPads')
          expect(names(propose(removedWith(input, water)))).not.toContain('dampPads')
        },
      ),
      { numRuns: 16 },
    )
    expect(seen).toBeGreaterThan(4)
  })
  it('is missed where a hand left it out, and one tap puts it back', () => {
    fc.assert(
      fc.property(madeUp, fc.constantFrom(...OILY), (who, oil) => {
        const input = removedWith(inputOfPerson(who), oil)
        const { steps } = propose(input)
        if (!names({ steps }).includes('dampPads')) return
        const without = steps.filter(({ technique }) => technique !== 'dampPads')
        const eyes = without.find(({ technique }) => technique === 'eyesOff')
        const found = checkPlan(input, without).findings.filter(({ key }) => key === eyes?.key)
        expect(found.map(({ rule }) => rule)).toContain('straight-after')
        const [mend] = found.find(({ rule }) => rule === 'straight-after')?.mends ?? []
        const mended = applyEdits(without, mend?.edits ?? [])
        expect(names({ steps: mended })).toEqual(names({ steps }))
      }),
      { numRuns: 8 },
    )
  })
  it('stays where its minutes were set by hand', () => {
    fc.assert(
      fc.property(madeUp, fc.constantFrom(...OILY), (who, oil) => {
        const input = removedWith(inputOfPerson(who), oil)
        const pads = propose(input).steps.find(({ technique }) => technique === 'dampPads')
        if (!pads) return
        const again = propose({ ...input, pins: [pads] })
        expect(again.failed).toBeUndefined()
        expect(names(again).filter((id) => id === 'dampPads')).toHaveLength(1)
      }),
      { numRuns: 8 },
    )
  })
})
