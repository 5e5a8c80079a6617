import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { applyTechnique, startSurface, unmetNeeds } from '../../surface/surface'
import { connect } from './mend'

const technique = fc.constantFrom(...TECHNIQUE_IDS)
const clean = [TECHNIQUES.eyesOff, TECHNIQUES.milk, TECHNIQUES.secondCleanse].reduce(
  (sum, technique) => applyTechnique(sum, technique, GROUPS.faceNeckDecollete, 4),
  startSurface(true),
)

describe('connecting steps', () => {
  it('blots before the tip and mists before the oil', () => {
    expect(
      connect(clean, TECHNIQUES.tip, GROUPS.tZone)?.steps.map((step) => step.technique),
    ).toEqual(['blot'])
    const dry = applyTechnique(clean, TECHNIQUES.blot, GROUPS.face, 1)
    expect(
      connect(dry, TECHNIQUES.facialOil, GROUPS.face)?.steps.map((step) => step.technique),
    ).toEqual(['mist'])
  })
  it('finds no way to massage freshly abraded skin', () => {
    const dry = applyTechnique(clean, TECHNIQUES.blot, GROUPS.face, 1)
    const abraded = applyTechnique(dry, TECHNIQUES.tip, GROUPS.faceNoEyes, 16)
    expect(connect(abraded, TECHNIQUES.massage, GROUPS.faceNeckDecollete)).toBeUndefined()
  })
  it('always mends what it says it mends, whatever came before', () => {
    let mended = 0
    fc.assert(
      fc.property(fc.array(technique, { maxLength: 8 }), technique, (before, wanted) => {
        const surface = before.reduce(
          (sum, id) => applyTechnique(sum, TECHNIQUES[id], GROUPS.faceNeckDecollete, 3),
          startSurface(true),
        )
        const chain = connect(surface, TECHNIQUES[wanted], GROUPS.face)
        if (!chain) return
        let walked = surface
        for (const step of chain.steps) {
          expect(unmetNeeds(walked, TECHNIQUES[step.technique], step.regions)).toEqual([])
          walked = applyTechnique(
            walked,
            TECHNIQUES[step.technique],
            step.regions,
            step.minutes * 2,
          )
        }
        if (chain.steps.length > 0) mended++
        expect(unmetNeeds(walked, TECHNIQUES[wanted], GROUPS.face)).toEqual([])
        expect(chain.minutes).toBe(chain.steps.reduce((sum, step) => sum + step.minutes, 0))
      }),
      { numRuns: 400 },
    )
    expect(mended).toBeGreaterThan(20)
  })
})
