import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { asWorn, MAKE_UP_IDS } from '../../catalogue/consultation/makeUp'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { cleanEnough, usualPads } from '../step/cleanEnough'
import { REST_WORDS } from '../order/offNext'
import { cueOf, restCueOf } from '../step/cue'
import { promptAt, promptsOf } from '../step/prompts'
import { soakAt } from '../step/soak'

const eyes = usualStep('eyesOff', { minutes: minutes(4) })
const worn = fc.subarray([...MAKE_UP_IDS]).map(asWorn)

describe('what soaks on the eyes', () => {
  it('is a minute where it is waterproof, and the lips come off meanwhile', () => {
    expect(soakAt(eyes, ['waterproof'], 0)).toMatchObject({ left: 1 })
    expect(soakAt(eyes, ['waterproof'], 0.5)?.say).toMatch(/lips/)
    expect(soakAt(eyes, ['waterproof'], 1)).toMatchObject({ left: 0 })
    expect(soakAt(eyes, ['light'], 0.25)?.say).toMatch(/hold/)
    expect(soakAt(eyes, ['sunCream'], 0)).toBeUndefined()
    expect(soakAt(usualStep('milk'), ['waterproof'], 0)).toBeUndefined()
  })
  it('runs down by the minute, never below nothing, and never longer with less on the face', () => {
    fc.assert(
      fc.property(worn, fc.float({ min: 0, max: 6, noNaN: true }), (makeUp, ran) => {
        const soak = soakAt(eyes, makeUp, ran)
        if (!soak) return
        expect(soak.left).toBeGreaterThanOrEqual(0)
        expect(soak.left).toBeCloseTo(Math.max(0, (soakAt(eyes, makeUp, 0)?.left ?? 0) - ran))
      }),
    )
  })
  it('is told before; the jaw drops when the lashes are wiped, not while they soak', () => {
    expect(promptAt(eyes, 0, ['waterproof'])).toMatch(/Close your eyes/)
    expect(promptAt(eyes, 1, ['waterproof'])).toMatch(/jaw drop/)
    expect(promptAt(eyes, 0, ['light'])).toMatch(/jaw drop/)
    for (const id of TECHNIQUE_IDS.filter((own) => !['eyesOff', 'eyesByCleanser'].includes(own)))
      expect(promptsOf(usualStep(id), ['waterproof'])).toEqual(promptsOf(usualStep(id)))
  })
})

describe('pads for what is worn', () => {
  it('are as many as last time for the same, before that as this make-up usually takes', () => {
    const milk = usualStep('milk')
    const last = { pads: 2, worn: ['layered', 'sunCream'] } as const
    expect(usualPads(milk, ['sunCream', 'layered'], last)).toEqual({ pads: 2, from: 'lastTime' })
    expect(usualPads(milk, ['light'], last)).toEqual({ pads: 2, from: 'worn' })
    expect(usualPads(milk, ['layered'])).toEqual({ pads: 4, from: 'worn' })
    expect(usualPads(milk, [])).toBeUndefined()
    expect(usualPads(usualStep('secondCleanse'), ['layered'])).toBeUndefined()
  })
  it('soiled twice ask for another cleanse, but not before the usual number was used', () => {
    expect(cleanEnough([2, 3])?.act).toBe('addCleanse')
    const layered = usualPads(usualStep('milk'), ['layered'])
    expect(cleanEnough([3, 3], layered)).toMatchObject({ act: 'wipeAgain' })
    expect(cleanEnough([3, 3], layered)?.say).toContain('usually takes 4 pads')
    expect(cleanEnough([3, 3, 2, 2], layered)?.act).toBe('addCleanse')
    expect(cleanEnough([3, 3, 1, 0], layered)?.act).toBe('goOn')
  })
})

describe('the cue of a bottle whose colour turns', () => {
  it('is the change its maker states; until then more water and longer work', () => {
    const own = cueOf(usualStep('secondCleanse'), { colourChange: 'blue to clear' })
    expect(own.cue).toContain('blue to clear')
    expect(own.seen.split(' ').length).toBeLessThanOrEqual(3)
    expect(own.notYet).toMatch(/more water/i)
  })
  it('is waited for while a mask rests, and not while it is laid on', () => {
    const bottle = { colourChange: 'green to white' }
    expect(cueOf(usualStep('creamMask'), bottle).cue).toBe(TECHNIQUES.creamMask.cue)
    expect(restCueOf(usualStep('creamMask'), bottle)).toContain('green to white')
    expect(restCueOf(usualStep('creamMask'))).toBe(TECHNIQUES.creamMask.restCue)
  })
  it('is the one of the technique for every other bottle', () => {
    for (const id of TECHNIQUE_IDS) {
      const { cue, seen, notYet } = TECHNIQUES[id]
      expect(cueOf(usualStep(id))).toEqual({ cue, seen, notYet })
    }
  })
})

describe('what the clock of something that rests says', () => {
  it('never calls off what lateness does no harm to, and never lets lie what is late', () => {
    expect(Object.values(REST_WORDS.harmless).join()).not.toMatch(/off now|late/)
    for (const late of ['rewet', 'removeNow'] as const)
      expect(REST_WORDS[late].late, late).toMatch(/^late: .*off/)
    expect(REST_WORDS.rewet.late).toMatch(/wet it/)
  })
})
