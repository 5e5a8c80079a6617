import { describe, expect, it } from 'vitest'
import { NIGHT_IDS, type NightId } from '../catalogue/home/nightRows'
import { AFTERCARE } from '../catalogue/rules/aftercare'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { NOTHING_ASKED } from '../home/asked'
import { eveningOf, offEvenings } from '../home/evenings'
import { routineFor } from '../home/routine'
import { addDays } from '../screening/asking/days'
import type { Answers } from '../screening/asking/answers'
import { visitBundle } from '../testing/bundle'
import { allNo } from '../testing/fixtures'
import { at, done, STARTED, taps } from '../testing/room'
import { usualStep } from '../testing/steps'
import type { VisitBundle } from './bundle'
import { forecastOfVisit } from './forecast'
import { homeQuestionOf, nextDayOf } from './homeQuestion'
import { readParts, recordParts } from './record'
import { tonightOf } from './tonight'

/** A visit in which this was done, step by step, and that is closing now. */
function closing(did: readonly TechniqueId[], answers: Answers = {}): VisitBundle {
  const steps = did.map((technique, place) =>
    usualStep(technique, { key: `${technique}-${place}` }),
  )
  const events = taps(
    STARTED,
    ...steps.map((step, place) => [5 * (place + 1), done(step)] as const),
    [5 * (steps.length + 1), { kind: 'finished' }],
  )
  const base = visitBundle()
  const today = new Date(at(0)).toISOString().slice(0, 10)
  return visitBundle({
    now: at(5 * (steps.length + 2)),
    today,
    answers: allNo(answers),
    visit: { ...base.visit, startsAt: at(0), at: at(0), status: 'closing' },
    practice: { ...base.practice, timeZone: 'Europe/Oslo', phone: '1' },
    plans: [
      { version: 1, steps, reason: '', countersignedBy: null, unseen: false, protocol: null },
    ],
    events,
  })
}

const yes = { say: 'yes' } as const
/** Twelve closings, each as a colleague would read it: what was done, and what the client has. */
const CLOSINGS: readonly [string, readonly TechniqueId[], Answers][] = [
  ['a quiet hour', ['milk', 'massage', 'hydratingMask', 'moisturiser'], {}],
  ['steam and extraction', ['milk', 'steam', 'extraction', 'moisturiser'], {}],
  ['an enzyme', ['milk', 'enzyme', 'moisturiser'], {}],
  ['an acid mask', ['milk', 'acidMask', 'moisturiser'], {}],
  ['an acid mask on skin that marks', ['milk', 'acidMask', 'moisturiser'], { melasma: yes }],
  ['grains', ['milk', 'grain', 'moisturiser'], {}],
  ['the tip', ['milk', 'tip', 'moisturiser'], {}],
  ['the tip beside a medicine for light', ['milk', 'tip', 'moisturiser'], { lightMedicine: yes }],
  ['needling', ['milk', 'needling', 'moisturiser'], {}],
  ['a salon peel', ['milk', 'salonPeel', 'moisturiser'], {}],
  ['clay', ['milk', 'clay', 'moisturiser'], {}],
  ['a mask slept in', ['milk', 'sleepMask'], {}],
]

describe('a closing, read as client and as colleague', () => {
  it.each(CLOSINGS)('%s: card, forecast, routine and next date agree', (_, did, answers) => {
    const bundle = closing(did, answers)
    const { aftercare, work } = readParts(recordParts(bundle, ''))
    const ended = at(5 * (did.length + 1))
    // Everything has its why and a true end, and sun is never left out.
    expect(aftercare.length).toBeGreaterThan(2)
    for (const { why, until } of aftercare) {
      expect(why.length).toBeGreaterThan(5)
      expect(Date.parse(until)).toBeGreaterThan(ended)
    }
    expect(aftercare.some(({ topic }) => topic === 'sun')).toBe(true)
    // What may come begins no sooner than the visit ended, and is said only of what was worked.
    const worked = new Set(did.flatMap((id) => TECHNIQUES[id].families))
    for (const line of forecastOfVisit(bundle)) {
      expect(line.from).toBeGreaterThanOrEqual(ended)
      expect(line.until).toBeGreaterThan(line.from)
      expect(line.regions.length).toBeGreaterThan(0)
    }
    if (worked.size === 0) expect(forecastOfVisit(bundle)).toEqual([])
    // The routine ends on the eve of the next visit, which lies after every rest of today.
    const next = nextDayOf(bundle)
    expect(next >= addDays(bundle.today, 28)).toBe(true)
    const wishes = {
      nights: (['acid', 'scrub', 'retinoid'] as const).map((id) => ({
        ...{ id, perWeek: 2, strength: 'usual' as const },
      })),
      vitaminC: true,
      named: {},
    }
    const used = { perWeek: 2, strength: 'usual', since: 'months' } as const
    const asked = { ...NOTHING_ASKED, uses: { acid: used, scrub: used, retinoid: used } }
    const routine = routineFor(homeQuestionOf(bundle, asked, wishes))
    expect(routine.until).toBe(next)
    for (const { why } of routine.short) {
      expect(why.length).toBeGreaterThan(0)
      for (const one of why) expect(one.length).toBeGreaterThan(10)
    }
    expect(routine.nights.at(-1)?.day).toBe(addDays(next, -1))
    for (const { day, id } of routine.nights) {
      const on = aftercare.filter(({ until }) => eveningOf(day, 'Europe/Oslo') < Date.parse(until))
      const asks = on.flatMap(({ rule }) => AFTERCARE.find((row) => row.id === rule)?.asks ?? [])
      if (id === 'acid' || id === 'scrub') expect(asks).not.toContain(id)
      if (id !== null) expect(asks).not.toContain('everything')
      if (id === 'acid' || id === 'retinoid') expect(asks).not.toContain('actives')
      if (id === 'retinoid') expect(asks).not.toContain('retinoid')
    }
    // Tonight never says more than the card allows, and tomorrow ends with sun protection.
    const { evening, morning } = tonightOf(bundle)
    const plain = aftercare.find(({ rule }) => /^products-(calm|needling|peel)$/.test(rule))
    if (plain) expect(evening).toMatch(/^(Put nothing more|After that only|Only your)/)
    else expect(evening).toMatch(/cream\.$|^Leave the mask on/)
    expect(morning).toMatch(/sun protection\.$/)
    // How it was taken is not known before somebody says so.
    expect(work?.taken).toBeUndefined()
  })
  it('says for tonight and tomorrow nothing that a line of the card forbids', () => {
    for (const [name, did, answers] of CLOSINGS) {
      const bundle = closing(did, answers)
      const { aftercare } = readParts(recordParts(bundle, ''))
      const { evening, morning } = tonightOf(bundle)
      const plain = aftercare.some(({ sentence }) => /only your|Only your/.test(sentence))
      if (plain) expect(morning, name).toMatch(/^lukewarm water, then [^,]*, then [^,]*\.$/)
      else expect(morning, name).not.toContain('lukewarm water')
      const overnight = aftercare.find(({ rule }) => rule === 'mask-overnight')
      if (!overnight) continue
      // A mask that is slept in stays on until there has been a morning, and nothing goes over it.
      expect(evening).toBe(overnight.sentence)
      expect(Date.parse(overnight.until)).toBeGreaterThanOrEqual(
        Date.parse(`${addDays(bundle.today, 1)}T06:00:00+01:00`),
      )
    }
  })
  it('names one thing once: no line gives it back while another still keeps it off', () => {
    const THINGS = ['acid', 'scrub', 'retinoid', 'vitamin C', 'make-up', 'sauna', 'bath', 'peel']
    for (const [name, did, answers] of CLOSINGS) {
      const { aftercare } = readParts(recordParts(closing(did, answers), ''))
      for (const thing of THINGS) {
        const ends = aftercare
          .filter(({ sentence }) => new RegExp(`\\b${thing}\\b`, 'i').test(sentence))
          .map(({ until }) => until)
        expect(new Set(ends).size, `${name}: ${thing}`).toBeLessThanOrEqual(1)
      }
    }
  })
  it('keeps evenings off after stronger work at least as long as after milder', () => {
    const offAfter = (technique: TechniqueId, id: NightId) => {
      const wishes = { nights: [], vitaminC: false, named: {} }
      const bundle = closing(['milk', technique, 'moisturiser'])
      const question = homeQuestionOf(bundle, NOTHING_ASKED, wishes)
      const { today, verdict } = question.input
      return offEvenings(id, { ...question, today, verdict }).map((off) => off !== undefined)
    }
    const LADDERS: readonly (readonly TechniqueId[])[] = [
      ['grain', 'acidMask', 'salonPeel'],
      ['enzyme', 'acidMask', 'salonPeel'],
      ['enzyme', 'tip'],
      ['acidMask', 'tip'],
      ['acidMask', 'needling'],
    ]
    for (const ladder of LADDERS)
      for (const id of NIGHT_IDS)
        for (const [step, stronger] of ladder.slice(1).entries()) {
          const milder = ladder[step] as TechniqueId
          const strong = offAfter(stronger, id)
          offAfter(milder, id).forEach((off, night) => {
            if (off) expect(strong[night], `${id}, night ${night}: ${stronger}`).toBe(true)
          })
        }
    // A retinoid waits a week after whatever made the skin new.
    for (const technique of ['tip', 'needling', 'salonPeel'] as const)
      expect(offAfter(technique, 'retinoid').slice(0, 7), technique).not.toContain(false)
  })
  it('takes nothing up on a day on which the card still keeps it off', () => {
    for (const [name, did, answers] of CLOSINGS) {
      const bundle = closing(did, answers)
      const { aftercare } = readParts(recordParts(bundle, ''))
      const wishes = { nights: [], vitaminC: true, named: {} }
      const { morning } = routineFor(homeQuestionOf(bundle, NOTHING_ASKED, wishes))
      for (const { id, from } of morning) {
        if (['cleanse', 'firstCleanse', 'cream', 'sun'].includes(id)) continue
        const eve = eveningOf(addDays(from ?? addDays(bundle.today, 1), -1), 'Europe/Oslo')
        const asks = aftercare
          .filter(({ until }) => eve < Date.parse(until))
          .flatMap(({ rule }) => AFTERCARE.find((row) => row.id === rule)?.asks ?? [])
        expect(asks, `${name}: ${id}`).not.toContain('allButPlain')
        expect(asks, `${name}: ${id}`).not.toContain('everything')
        if (id === 'vitaminC') expect(asks, name).not.toContain('actives')
      }
    }
  })
  it('is stricter on sun where the skin marks or a medicine minds the light', () => {
    const sun = (did: readonly TechniqueId[], answers: Answers) =>
      Math.max(
        ...readParts(recordParts(closing(did, answers), ''))
          .aftercare.filter(({ topic }) => topic === 'sun')
          .map(({ until }) => Date.parse(until)),
      )
    for (const did of [
      ['milk', 'acidMask'],
      ['milk', 'tip'],
    ] as const)
      expect(sun(did, { melasma: yes })).toBeGreaterThan(sun(did, {}))
    expect(sun(['milk'], { melasma: yes })).toBe(sun(['milk'], {}))
  })
  it('knows well and badly as they were said, and badly over all', () => {
    const taken = (own: 'well' | 'badly' | null) => {
      const bundle = closing(['milk', 'acidMask', 'moisturiser'])
      const visit = { ...bundle.visit, taken: own }
      return readParts(recordParts({ ...bundle, visit }, '')).work?.taken
    }
    expect([taken('well'), taken('badly'), taken(null)]).toEqual(['well', 'badly', undefined])
  })
})
