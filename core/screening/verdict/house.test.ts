import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import { FAMILY_IDS, LICENCE_IDS } from '../../catalogue/kinds'
import { FINDING_IDS } from '../../catalogue/consultation/findings'
import { allNo, TODAY } from '../../testing/fixtures'
import { addDays } from '../asking/days'
import { loosens, tightened, type Tightening } from './houseRules'
import { lifted, liftTrouble } from './lifts'
import { scopeOf } from './scope'
import { screen } from './verdict'

const row = (id: string) => {
  const contraindication = CONTRAINDICATIONS.find((other) => other.id === id)
  if (!contraindication) throw new Error(id)
  return contraindication
}
const forbids = (rows: typeof CONTRAINDICATIONS, answers: ReturnType<typeof allNo>) => {
  const verdict = screen(answers, TODAY, rows)
  return {
    words: new Set([
      ...(verdict.prevented.length ? ['visit'] : []),
      ...verdict.bars
        .filter((bar) => bar.does !== 'restricts')
        .flatMap((bar) =>
          bar.families.flatMap((family) => bar.regions.map((region) => `${family} ${region}`)),
        ),
    ]),
    limit: verdict.limit,
  }
}

describe('house rules', () => {
  it('asks for the licence of the work itself, whatever the family', () => {
    const therapist = (...licences: ('basic' | 'machine' | 'blade' | 'current')[]) => ({
      role: 'therapist',
      licences,
    })
    const own = (families: ReturnType<typeof row>['families']) => ({
      ...row('steroids-thin'),
      families,
      lifts: 'therapist' as const,
    })
    for (const [family, licence] of [
      ['abrasion', 'machine'],
      ['blade', 'blade'],
      ['microcurrent', 'current'],
    ] as const) {
      expect(liftTrouble(own([family]), therapist('basic'), ''), family).toContain('licensed')
      expect(liftTrouble(own([family]), therapist('basic', licence), ''), family).toBeUndefined()
    }
    for (const family of ['massage', 'acid', 'retinoid'] as const)
      expect(liftTrouble(own([family]), therapist('basic'), ''), family).toBeUndefined()
  })
  it('are refused when they would loosen, or say nothing', () => {
    expect(loosens(row('filler-later'), { days: 27 })).toContain('28')
    expect(loosens(row('filler-later'), { days: 28 })).toBeUndefined()
    expect(loosens(row('keloid-needling'), { days: 10 })).toContain('does not lift by a date')
    expect(loosens(row('marks-gentle'), { limit: { steamMost: 6 } })).toContain('5 min')
    expect(loosens(row('marks-gentle'), { limit: { tolerancePercent: 80 } })).toContain('75')
    expect(loosens(row('marks-gentle'), {})).toBe('nothing is changed')
  })
  it('hold longer, wider and for more', () => {
    const rows = tightened(CONTRAINDICATIONS, [
      {
        rule: 'filler-later',
        change: { days: 42, wholeFace: true, families: ['cold'] },
        reason: 'seen swelling at five weeks',
      },
    ])
    const answers = allNo({ filler: { say: 'yes', date: addDays(TODAY, -35), zones: ['chin'] } })
    expect(screen(answers, TODAY).bars).toEqual([])
    const bar = screen(answers, TODAY, rows).bars[0]
    expect(bar?.until).toBe(addDays(TODAY, 7))
    expect(bar?.families).toContain('cold')
    expect(bar?.regions).toHaveLength(12)
    expect(bar?.sentence).toContain('House rule: 42 days')
  })
  it('may name one limit only', () => {
    const rows = tightened(CONTRAINDICATIONS, [
      { rule: 'marks-gentle', change: { limit: { steamMost: 1 } }, reason: 'seen' },
    ])
    expect(rows.find(({ id }) => id === 'marks-gentle')?.limit?.steamMost).toBe(1)
  })
  it('never allow more, whatever is written into them', () => {
    const change = fc.record({
      days: fc.option(fc.integer({ min: 1, max: 400 }), { nil: undefined }),
      wholeFace: fc.constantFrom(true as const, undefined),
      families: fc.option(fc.subarray([...FAMILY_IDS], { maxLength: 3 }), { nil: undefined }),
      limit: fc.option(fc.record({ steamMost: fc.nat(10), tolerancePercent: fc.nat(100) }), {
        nil: undefined,
      }),
    }) as fc.Arbitrary<Tightening>
    const rules = fc.array(
      fc.record({
        rule: fc.constantFrom(...CONTRAINDICATIONS.map((contraindication) => contraindication.id)),
        change,
        reason: fc.constant('x'),
      }),
      { maxLength: 4 },
    )
    const answers = fc
      .array(fc.tuple(fc.constantFrom(...FINDING_IDS), fc.nat(200)), { maxLength: 5 })
      .map((change) =>
        allNo(
          Object.fromEntries(
            change.map(([key, ago]) => [
              key,
              { say: 'yes', date: addDays(TODAY, -ago), zones: ['nose'] },
            ]),
          ),
        ),
      )
    fc.assert(
      fc.property(answers, rules, (given, changes) => {
        const table = forbids(CONTRAINDICATIONS, given)
        const house = forbids(tightened(CONTRAINDICATIONS, changes), given)
        expect([...table.words].every((word) => house.words.has(word))).toBe(true)
        for (const field of ['steamMost', 'passesMost', 'tolerancePercent'] as const)
          expect(house.limit[field]).toBeLessThanOrEqual(table.limit[field])
      }),
      { numRuns: 200 },
    )
  })
})

describe('setting a row aside', () => {
  const senior = { role: 'therapist', licences: [...LICENCE_IDS] }
  it('is for licensed people, and where a doctor lifts it, on a word written down', () => {
    expect(liftTrouble(row('pregnancy-heat'), senior, '')).toBeUndefined()
    expect(liftTrouble(row('heart-heat'), senior, '')).toContain('which doctor')
    expect(liftTrouble(row('heart-heat'), senior, 'Dr at the lake clinic, 3 March')).toBeUndefined()
    expect(
      liftTrouble(row('pregnancy-heat'), { role: 'trainee', licences: ['basic'] }, ''),
    ).toContain('Trainees')
    expect(
      liftTrouble(row('steroids-thin'), { role: 'therapist', licences: ['basic'] }, 'a doctor'),
    ).toContain('licensed')
  })
  it('is not for what a date lifts, what nobody lifts, or what stops the visit', () => {
    for (const id of [
      'filler-later',
      'metal-current',
      'allergy-products',
      'fever-visit',
      'infection-visit',
    ])
      expect(liftTrouble(row(id), senior, 'a doctor, today'), id).toBeDefined()
  })
  it('takes that row and no other', () => {
    const answers = allNo({ pregnancy: { say: 'yes' } })
    const rules = (lifts: string[]) =>
      screen(
        answers,
        TODAY,
        lifted(
          CONTRAINDICATIONS,
          lifts.map((rule) => ({ rule, word: '', reason: 'r', by: 'b', at: 0 })),
        ),
      ).bars.map((bar) => bar.rule)
    expect(rules([])).toEqual(['pregnancy-current', 'pregnancy-heat', 'pregnancy-position'])
    expect(rules(['pregnancy-heat'])).toEqual(['pregnancy-current', 'pregnancy-position'])
  })
})

describe('scope', () => {
  const of = (
    held: Parameters<typeof scopeOf>[0],
    until: Parameters<typeof scopeOf>[1],
    place: Parameters<typeof scopeOf>[2],
  ) =>
    scopeOf(held, until, place, TODAY)
      .filter((scopeLine) => scopeLine.counts)
      .map((scopeLine) => scopeLine.licence)
  it('is what is held, has not run out, and the place allows', () => {
    expect(
      of(['basic', 'machine', 'current'], { machine: addDays(TODAY, -1) }, ['basic', 'machine']),
    ).toEqual(['basic'])
    expect(of(['basic', 'machine'], { machine: TODAY }, ['basic', 'machine'])).toEqual([
      'basic',
      'machine',
    ])
  })
  it('says when a licence is about to run out', () => {
    const text = (days: number) =>
      scopeOf(['machine'], { machine: addDays(TODAY, days) }, ['machine'], TODAY).find(
        (scopeLine) => scopeLine.licence === 'machine',
      )?.text
    expect(text(60)).toContain('renew')
    expect(text(61)).not.toContain('renew')
    expect(text(-1)).toContain('ran out')
  })
})
