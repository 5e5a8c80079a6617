import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EXFOLIATING } from '../../catalogue/kinds'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS, zonesOf } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import type { Grade, Readings } from '../../skin/readings'
import { contextOf, done, roomOf, STARTED, taps, type TapAt } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { fold } from '../fold/fold'
import { stepsAsWorked } from './leftZones'

/** From the trade's rule: on red skin no exfoliation of any rung, no heat, no pull, no current. */
const HARSH: readonly TechniqueId[] = TECHNIQUE_IDS.filter((id) =>
  TECHNIQUES[id].families.some(
    (family) =>
      EXFOLIATING.includes(family) ||
      ['heat', 'vacuum', 'highFrequency', 'microcurrent', 'ultrasound', 'peel'].includes(family),
  ),
)
const FACE = GROUPS.face
const region = fc.constantFrom(...FACE)
const bare = (grade: Grade, ...regions: RegionId[]): Readings =>
  Object.fromEntries(regions.flatMap(zonesOf).map((zone) => [zone, { redness: grade }]))
const reading = usualStep('secondReading', { key: 'secondReading-1' })
const step = (technique: TechniqueId, key = `${technique}-2`) =>
  usualStep(technique, { key, regions: [...FACE] })

describe('a zone that is red, has reddened or stung leaves every later step that its state bars', () => {
  it('a step on that one zone is done against the rule, and said so; beside it, it is not', () => {
    const on = (...regions: RegionId[]) => {
      const work = usualStep('grain', { key: 'grain-2', regions })
      const read: TapAt = [1, { kind: 'reading', zones: bare(3, 'chin') }]
      const room = roomOf([reading, work], [read, [2, done(reading)], [9, done(work)]])
      return room.breaches.map(({ what }) => what)
    }
    expect(on('chin')).toEqual(['leftZone'])
    expect(on('chin', 'nose')).toEqual([])
    expect(on('nose')).toEqual([])
  })
  it('from the bare reading on, whichever plan is kept', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...HARSH),
        region,
        fc.integer({ min: 2, max: 4 }),
        (id, red, grade) => {
          const plan = [reading, step(id)]
          const read: TapAt = [1, { kind: 'reading', zones: bare(grade as Grade, red) }]
          const state = roomOf(plan, [read, [2, done(reading)]])
          const [, left] = stepsAsWorked(plan, state)
          expect(left?.regions ?? []).not.toContain(red)
          // Kept as it was and tapped done: it was done on the others only.
          const after = roomOf(plan, [read, [2, done(reading)], [9, done(step(id))]])
          const over = after.done.find(({ key }) => key === `${id}-2`)
          if (left) expect(over?.regions).toEqual(left.regions)
          else expect(state.current).toBeUndefined()
        },
      ),
    )
  })
  it('"leave the nose now" under the grain holds for the acid mask that follows', () => {
    const plan = [step('grain', 'grain-1'), step('acidMask'), step('maskOff', 'maskOff-3')]
    const state = roomOf(plan, [
      [1, { kind: 'redness', region: 'nose', grade: 1, key: 'grain-1' }],
      [2, done({ key: 'grain-1' })],
    ])
    expect(state.endedZones['grain-1']).toEqual(['nose'])
    const worked = stepsAsWorked(plan, state)
    expect(worked[1]?.regions).not.toContain('nose')
    expect(worked[1]?.regions).toContain('chin')
    // What was done there before stays done there.
    expect(worked[0]?.regions).toContain('nose')
    const on = fold(
      taps(
        STARTED,
        [1, { kind: 'redness', region: 'nose', grade: 1, key: 'grain-1' }],
        [2, done({ key: 'grain-1' })],
        [4, done({ key: 'acidMask-2' })],
      ),
      contextOf(plan),
    )
    expect(on.resting[0]?.regions).not.toContain('nose')
  })
  it('calm work and cleansing go on there', () => {
    for (const id of ['moisturiser', 'sunProtection', 'milk', 'mist'] as const) {
      const plan = [reading, step(id)]
      const state = roomOf(plan, [[1, { kind: 'reading', zones: bare(3, 'cheekL') }]])
      expect(stepsAsWorked(plan, state)[1]?.regions, id).toContain('cheekL')
    }
  })
  it('steam reaches the whole face: one red zone bars it', () => {
    const plan = [reading, step('steam')]
    const state = roomOf(plan, [
      [1, { kind: 'reading', zones: bare(2, 'cheekL') }],
      [2, done(reading)],
    ])
    expect(state.current).toBeUndefined()
  })
  it('a zone read again and found calm is worked again', () => {
    const plan = [reading, step('grain')]
    const state = roomOf(plan, [
      [1, { kind: 'reading', zones: bare(2, 'cheekL') }],
      [1.5, { kind: 'reading', zones: bare(1, 'cheekL') }],
    ])
    expect(stepsAsWorked(plan, state)[1]?.regions).toContain('cheekL')
  })
})

describe('what stings comes off first', () => {
  const clay = usualStep('clay', { key: 'clay-1', regions: ['nose', 'chin'] })
  const acid = usualStep('acidMask', { key: 'acidMask-2', regions: ['cheekL', 'cheekR'] })
  const hands = usualStep('handsArms', { key: 'handsArms-3', regions: [] })
  const offClay = usualStep('maskOff', { key: 'maskOff-4', regions: ['nose', 'chin'] })
  const offAcid = usualStep('maskOff', { key: 'maskOff-5', regions: ['cheekL', 'cheekR'] })
  const serum = usualStep('serum', { key: 'serum-6', regions: ['cheekL', 'nose'] })
  const plan = [clay, acid, hands, offClay, offAcid, serum]
  const laid: TapAt[] = [
    [2, done(clay)],
    [4, done(acid)],
  ]
  it('is the step at hand at once, before the masks that the plan takes off earlier', () => {
    const stung: TapAt = [6, { kind: 'sensation', grade: 5, region: 'cheekL', key: null }]
    expect(roomOf(plan, laid).current?.key).toBe(hands.key)
    const state = roomOf(plan, [...laid, stung])
    expect(state.current?.key).toBe(offAcid.key)
    // What the hands were at had begun, and ends there.
    expect(state.done.at(-1)).toMatchObject({ key: hands.key, endedAt: state.reactions[0]?.at })
    const off = roomOf(plan, [...laid, stung, [7, done(offAcid)]])
    expect(off.resting.find(({ key }) => key === acid.key)?.endedAt).toBeDefined()
    expect(off.current?.key).toBe(offClay.key)
  })
  it('what is being laid where it stings is laid no further', () => {
    const state = roomOf(plan, [
      [2, done(clay)],
      [3, { kind: 'sensation', grade: 4, region: 'cheekR', key: acid.key }],
    ])
    expect(state.current?.key).toBe(offAcid.key)
    expect(state.resting.find(({ key }) => key === acid.key)?.since).toBe(state.reactions[0]?.at)
  })
  it('and a tingle changes nothing', () => {
    const state = roomOf(plan, [
      ...laid,
      [6, { kind: 'sensation', grade: 3, region: 'cheekL', key: null }],
    ])
    expect(state.current?.key).toBe(hands.key)
    expect(state.left).toEqual({})
  })
})
