import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import { FINDINGS, FINDING_IDS, FINDING_ORDER } from '../../catalogue/consultation/findings'
import { REGION_IDS, ZONE_IDS } from '../../face/zones'
import { allNo, TODAY } from '../../testing/fixtures'
import type { Answer, Answers } from '../asking/answers'
import { addDays, daysBetween } from '../asking/days'
import { screen, type Verdict } from './verdict'

const yes = (more: Partial<Answer> = {}): Answer => ({ say: 'yes', ...more })
const everything = (verdict: Verdict) => [...verdict.bars, ...verdict.prevented]
/** What a verdict forbids, as a set of words that can be compared. */
function forbidden(verdict: Verdict): Set<string> {
  const out = new Set<string>()
  if (verdict.prevented.length > 0) out.add('visit')
  for (const bar of verdict.bars)
    if (bar.does !== 'restricts')
      for (const family of bar.families)
        for (const region of bar.regions) out.add(`${family} ${region}`)
  for (const substance of verdict.substances) out.add(`holds ${substance.word}`)
  return out
}

describe('every row of the table', () => {
  for (const row of CONTRAINDICATIONS) {
    const recent =
      row.days === undefined
        ? {}
        : { date: addDays(TODAY, -Math.max(0, Math.min(row.days - 1, 1))) }
    const firing = allNo({
      [row.finding]: yes({
        ...recent,
        ...(row.work === undefined ? {} : { work: [row.work] }),
        zones: ['nose', 'creaseL', 'creaseR'],
        substances: ['honey'],
      }),
    })
    it(`${row.id} fires on a yes, says why, and stops just what it names`, () => {
      const bar = everything(screen(firing, TODAY)).find((bar) => bar.rule === row.id)
      expect(bar).toBeDefined()
      expect(bar?.reason.length).toBeGreaterThan(3)
      expect(bar?.families).toEqual([
        ...row.families,
        ...(row.touch ? ['touch'] : []),
        ...(row.bland ? ['care'] : []),
      ])
      if (row.where === 'answered') expect(bar?.regions).toEqual(['nose'])
      expect(everything(screen(allNo(), TODAY)).map((bar) => bar.rule)).not.toContain(row.id)
    })
    it(`${row.id} is missed when it is switched off`, () => {
      const without = CONTRAINDICATIONS.filter((contraindication) => contraindication.id !== row.id)
      expect(everything(screen(firing, TODAY, without)).map((bar) => bar.rule)).not.toContain(
        row.id,
      )
      const full = screen(firing, TODAY)
      const less = screen(firing, TODAY, without)
      const lost =
        forbidden(full).size > forbidden(less).size ||
        JSON.stringify(full.limit) !== JSON.stringify(less.limit) ||
        everything(full).length > everything(less).length
      expect(lost).toBe(true)
    })
    if (row.days !== undefined)
      it(`${row.id} lifts on its day and not a day before`, () => {
        const days = row.days ?? 0
        const at = (ago: number) =>
          everything(
            screen(allNo({ [row.finding]: yes({ date: addDays(TODAY, -ago) }) }), TODAY),
          ).some((bar) => bar.rule === row.id)
        expect(at(days - 1)).toBe(true)
        expect(at(days)).toBe(false)
      })
  }
  it('takes the work that was named, and any where none was', () => {
    const rules = (work?: Answer['work']) =>
      screen(
        allNo({ recentTreatment: yes({ date: TODAY, ...(work === undefined ? {} : { work }) }) }),
        TODAY,
      ).bars.map((bar) => bar.rule)
    expect(rules(['laser'])).toEqual(['elsewhere-later', 'elsewhere-laser'])
    expect(rules(['machine'])).toEqual(['elsewhere-later'])
    expect(rules()).toEqual(rules(['peel', 'laser', 'needling', 'machine', 'surgery']))
  })
  it('stands in the days ahead of an event and not before, nor after it', () => {
    const at = (ahead: number) =>
      screen(allNo({ eventSoon: yes({ date: addDays(TODAY, ahead) }) }), TODAY).bars.find(
        (bar) => bar.rule === 'event-week',
      )
    for (const [ahead, stands] of [
      [8, false],
      [7, true],
      [0, true],
      [-1, false],
    ] as const)
      expect(at(ahead) !== undefined, `${ahead} days ahead`).toBe(stands)
    expect(at(3)?.until).toBe(addDays(TODAY, 4))
    expect(screen(allNo({ eventSoon: yes() }), TODAY).bars.map((bar) => bar.rule)).toContain(
      'event-week',
    )
  })
  it('leaves no question without a row, but for what only adapts comfort', () => {
    const used = new Set(CONTRAINDICATIONS.map((contraindication) => contraindication.finding))
    expect(FINDING_IDS.filter((finding) => !used.has(finding))).toEqual([])
    expect([...FINDING_ORDER].sort()).toEqual([...FINDING_IDS].sort())
    expect(new Set(CONTRAINDICATIONS.map((contraindication) => contraindication.id)).size).toBe(
      CONTRAINDICATIONS.length,
    )
  })
})

describe('verdict', () => {
  it('lets a clear consultation through', () => {
    const verdict = screen(allNo(), TODAY)
    expect(verdict.bars).toEqual([])
    expect(verdict.prevented).toEqual([])
    expect(verdict.limit).toEqual({ steamMost: 10, passesMost: 2, tolerancePercent: 100 })
  })
  it('holds an open or unsure question as ask before, never as no', () => {
    const open = screen({}, TODAY)
    expect(open.open).toHaveLength(FINDING_IDS.length)
    expect(open.prevented.every((bar) => bar.ask === 'unanswered')).toBe(true)
    const unsure = screen(allNo({ pregnancy: { say: 'unsure' } }), TODAY)
    expect(
      unsure.bars.filter((bar) => bar.ask === 'unsure').flatMap((bar) => bar.families),
    ).toContain('highFrequency')
  })
  it('says what to ask before in a sentence that begins with its subject, whole', () => {
    for (const id of FINDING_IDS)
      for (const bar of screen(allNo({ [id]: { say: 'unsure' } }), TODAY).bars)
        if (bar.ask === 'unsure' && bar.finding === id) {
          const { short } = FINDINGS[id]
          const subject = short.slice(0, 1).toUpperCase() + short.slice(1)
          expect(bar.sentence.startsWith(`${subject}: ask before. `), id).toBe(true)
        }
  })
  it('combines several findings to the strictest', () => {
    const verdict = screen(allNo({ darkMarks: yes(), steroids: yes(), asthma: yes() }), TODAY)
    expect(verdict.limit).toEqual({ steamMost: 3, passesMost: 1, tolerancePercent: 37 })
  })
  it('bars the whole face where no zone was named', () => {
    expect(screen(allNo({ filler: yes({ date: TODAY }) }), TODAY).bars[0]?.regions).toEqual(
      REGION_IDS,
    )
  })
})

const answer = fc
  .record({
    say: fc.constantFrom<Answer['say']>('yes', 'no', 'unsure'),
    ago: fc.integer({ min: 0, max: 220 }),
    zones: fc.subarray([...ZONE_IDS], { minLength: 1, maxLength: 4 }),
  })
  .map(({ say, ago, zones }): Answer =>
    say === 'yes' ? { say, date: addDays(TODAY, -ago), zones, substances: ['nuts'] } : { say },
  )
const consultation = fc
  .dictionary(fc.constantFrom(...FINDING_IDS), answer, { noNullPrototype: true })
  .map((findings): Answers => allNo(findings as Answers))
const allows = (one: Answers, other: Answers) => {
  const fa = forbidden(screen(one, TODAY))
  const fb = forbidden(screen(other, TODAY))
  const la = screen(one, TODAY).limit
  const lb = screen(other, TODAY).limit
  return (
    [...fa].every((item) => fb.has(item)) &&
    lb.steamMost <= la.steamMost &&
    lb.passesMost <= la.passesMost &&
    lb.tolerancePercent <= la.tolerancePercent
  )
}

describe('never allows more', () => {
  it('when one more finding is positive', () => {
    fc.assert(
      fc.property(consultation, fc.constantFrom(...FINDING_IDS), answer, (base, id, extra) => {
        const before = { ...base, [id]: { say: 'no' as const } }
        expect(allows(before, { ...base, [id]: { ...extra, say: 'yes' as const } })).toBe(true)
        expect(allows(before, { ...base, [id]: { say: 'unsure' as const } })).toBe(true)
      }),
      { numRuns: 300 },
    )
  })
  it('when a finding is more recent', () => {
    fc.assert(
      fc.property(
        consultation,
        fc.constantFrom(...FINDING_IDS),
        fc.nat(200),
        fc.nat(60),
        (base, id, ago, closer) => {
          const at = (days: number) => ({
            ...base,
            [id]: yes({ date: addDays(TODAY, -Math.max(0, days)), zones: ['chin'] }),
          })
          expect(allows(at(ago), at(ago - closer))).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('when more zones are named', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          ...FINDING_IDS.filter((finding) => FINDINGS[finding].asks.includes('zones')),
        ),
        fc.subarray([...ZONE_IDS], { minLength: 1 }),
        fc.subarray([...ZONE_IDS], { minLength: 1 }),
        (id, one, other) => {
          const some = allNo({ [id]: yes({ date: TODAY, zones: one }) })
          const more = allNo({
            [id]: yes({ date: TODAY, zones: [...new Set([...one, ...other])] }),
          })
          const folded = one.some((zone) => zone !== 'lidL' && zone !== 'lidR')
          if (folded) expect(allows(some, more)).toBe(true)
        },
      ),
    )
  })
})

describe('days', () => {
  it('counts calendar days across the change of the clock', () => {
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2)
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01')
    expect(() => addDays('2026-13-01', 1)).toThrow(RangeError)
  })
})

describe('substances told', () => {
  const words = (said: string) =>
    screen(allNo({ allergy: { say: 'yes', substances: [said] } }), TODAY).substances.map(
      ({ word }) => word,
    )
  it('are one word each, however they are written on one line, and none is empty', () => {
    expect(new Set(words('Honey, lanolin; nuts and beeswax'))).toEqual(
      new Set(['honey', 'lanolin', 'nuts', 'beeswax']),
    )
    expect(words(', ; and ')).toEqual([])
  })
})
