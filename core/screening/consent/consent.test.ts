import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CONSENT_IDS, CONSENTS } from '../../catalogue/consultation/consents'
import { allNo, TODAY } from '../../testing/fixtures'
import { screen } from '../verdict/verdict'
import { FAMILY_IDS } from '../../catalogue/kinds'
import { REGION_IDS } from '../../face/zones'
import type { Bar } from '../verdict/verdict'
import {
  barredConsents,
  consentsFor,
  needsGuardian,
  offeredConsents,
  standing,
  type Signature,
} from './consent'
import { addDays } from '../asking/days'

const signed = (
  ago: number,
  kinds: Signature['kinds'] = ['care', 'machine'],
  guardian = false,
): Signature => ({ kinds, day: addDays(TODAY, -ago), guardian, at: 1_000_000 - ago })
const kinds = (stage: ReturnType<typeof standing>) => stage.map((standing) => standing.kind)

describe('consent', () => {
  it('stands for its own days and not one more', () => {
    for (const kind of CONSENT_IDS) {
      expect(kinds(standing([signed(CONSENTS[kind].days - 1, [kind])], [], TODAY, false))).toEqual([
        kind,
      ])
      expect(standing([signed(CONSENTS[kind].days, [kind])], [], TODAY, false)).toEqual([])
    }
  })
  it('is taken back kind by kind, and given again by a later signature', () => {
    const first = signed(10)
    const back = { kinds: ['machine'] as const, at: first.at + 1 }
    expect(kinds(standing([first], [back], TODAY, false))).toEqual(['care'])
    expect(
      kinds(standing([first, { ...signed(0), at: back.at + 1 }], [back], TODAY, false)),
    ).toEqual(['care', 'machine'])
  })
  it("of a minor is a guardian's alone", () => {
    expect(standing([signed(1)], [], TODAY, true)).toEqual([])
    expect(kinds(standing([signed(1), signed(3, ['care'], true)], [], TODAY, true))).toEqual([
      'care',
    ])
    expect([needsGuardian(15), needsGuardian(16), needsGuardian(null)]).toEqual([
      true,
      false,
      false,
    ])
  })
  it('is not asked for work that may be done nowhere today', () => {
    expect(barredConsents(screen(allNo(), TODAY).bars)).toEqual({})
    const pregnant = barredConsents(screen(allNo({ pregnancy: { say: 'yes' } }), TODAY).bars)
    expect(Object.keys(pregnant)).toEqual(['current', 'needling'])
    expect(pregnant.current).toMatch(/\.$/)
    // An answer still open, or a bar of one cheek, takes no signature away.
    expect(barredConsents(screen({}, TODAY).bars)).toEqual({})
    expect(
      barredConsents(
        screen(allNo({ visibleVessels: { say: 'yes', zones: ['cheekL'] } }), TODAY).bars,
      ),
    ).toEqual({})
  })
  it('a plan asks for care and for what its steps do', () => {
    expect(consentsFor([])).toEqual(['care'])
    expect(consentsFor([{ technique: 'tip' }, { technique: 'grain' }])).toEqual([
      'care',
      'exfoliation',
      'machine',
    ])
    expect(consentsFor([{ technique: 'highFrequency' }])).toEqual(['care', 'current'])
    expect(
      consentsFor([{ technique: 'milk' }, { technique: 'massage' }, { technique: 'steam' }]),
    ).toEqual(['care'])
  })
  it('is never more for more taken back', () => {
    const some = fc.array(
      fc
        .record({
          kinds: fc.subarray([...CONSENT_IDS], { minLength: 1 }),
          ago: fc.nat(400),
          guardian: fc.boolean(),
        })
        .map((row) => signed(row.ago, row.kinds, row.guardian)),
      { maxLength: 5 },
    )
    const back = fc.record({
      kinds: fc.subarray([...CONSENT_IDS], { minLength: 1 }),
      at: fc.integer({ min: 999_000, max: 1_000_100 }),
    })
    fc.assert(
      fc.property(
        some,
        fc.array(back, { maxLength: 3 }),
        back,
        fc.boolean(),
        (signings, wanted, more, minor) => {
          const before = kinds(standing(signings, wanted, TODAY, minor))
          expect(before).toEqual(
            expect.arrayContaining(kinds(standing(signings, [...wanted, more], TODAY, minor))),
          )
        },
      ),
    )
  })
})

describe('what is offered for signing', () => {
  it('one of several licences for it is enough; without any it is offered only where it is planned', () => {
    expect(offeredConsents(['basic', 'needling025'], [])).toContain('needling')
    expect(offeredConsents(['basic', 'needling05'], [])).toContain('needling')
    expect(offeredConsents(['basic'], [])).not.toContain('needling')
    expect(offeredConsents(['basic'], [{ technique: 'needling' }])).toContain('needling')
  })
})

describe('what today leaves nowhere to be done', () => {
  const bar = (families: Bar['families'], more: Partial<Bar> = {}): Bar => ({
    ...{ rule: 'x', does: 'prevents', families, regions: REGION_IDS, reason: 'r' },
    ...{ lifts: 'nobody', source: 's', sentence: 'Not today.', ...more },
  })
  const barred = (...bars: readonly Bar[]) => Object.keys(barredConsents(bars))
  it('is signed for by nobody, with the first reason said', () => {
    const { families } = CONSENTS.needling
    expect(barred(bar([...families]))).toContain('needling')
    expect(barredConsents([bar([...families])]).needling).toBe('Not today.')
  })
  it('unless some of it can be done, somewhere, or after asking', () => {
    const { families } = CONSENTS.needling
    expect(barred()).toEqual([])
    expect(barred(bar([...families], { regions: REGION_IDS.slice(1) }))).toEqual([])
    expect(barred(bar([...families], { ask: 'unsure' }))).toEqual([])
    expect(barred(bar([...families], { does: 'restricts' }))).toEqual([])
  })
  it('and a kind that is named by no family never is', () => {
    const every = FAMILY_IDS.map((family) => bar([family]))
    for (const kind of CONSENT_IDS)
      expect(barred(...every).includes(kind), kind).toBe(CONSENTS[kind].families.length > 0)
  })
  it('all of its families must be barred', () => {
    for (const kind of CONSENT_IDS) {
      const { families } = CONSENTS[kind]
      for (const left of families.length > 1 ? families : [])
        expect(barred(bar(families.filter((family) => family !== left)))).not.toContain(kind)
    }
  })
})
