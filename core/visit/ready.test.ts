import { describe, expect, it } from 'vitest'
import { CONSENT_IDS } from '../catalogue/consultation/consents'
import { FINDING_ORDER } from '../catalogue/consultation/findings'
import { propose } from '../planning/answer/propose'
import { consentsFor } from '../screening/consent/consent'
import { visitBundle } from '../testing/bundle'
import { allNo, TODAY } from '../testing/fixtures'
import type { VisitBundle } from './bundle'
import { toPlanInput } from './planInput'
import { openPoints, standingHere } from './ready'
import { openStop, STOP_IDS, stopMark, stopOf } from './stops'
import { VISIT_STATUSES } from './status'

const steps = [...propose(toPlanInput(visitBundle())).steps]
const draft = {
  version: 0,
  steps,
  reason: '',
  countersignedBy: null,
  unseen: false,
  protocol: null,
}
const signature = { kinds: CONSENT_IDS, day: TODAY, guardian: false, at: 1 }
/** Asked, read, planned and signed: nothing is open. */
const ready = (more: Partial<VisitBundle> = {}) =>
  visitBundle({ plans: [draft], signatures: [signature], ...more })
const texts = (bundle: VisitBundle) => openPoints(bundle).map((point) => point.text)
const client = visitBundle().client
const staff = visitBundle().staff

describe('what is open before the treatment', () => {
  it('is nothing where all is asked, read, planned and signed', () => {
    expect(texts(ready())).toEqual([])
  })
  it('names each missing thing, at its own stop', () => {
    const unread = visitBundle({ readings: { madeUp: null, bare: null } })
    expect(openPoints(unread)).toEqual([
      { stop: 'ask', text: 'Consent is not signed.' },
      { stop: 'read', text: 'The skin is not read.' },
      { stop: 'plan', text: 'There is no plan.' },
    ])
    expect(texts(ready({ signatures: [] }))).toEqual(['Consent is not signed.'])
  })
  it('counts the questions that were not asked', () => {
    const without = (count: number) =>
      allNo(Object.fromEntries(FINDING_ORDER.slice(0, count).map((id) => [id, undefined])))
    expect(texts(ready({ answers: without(1) }))).toContain('1 question is not answered.')
    expect(texts(ready({ answers: without(2) }))).toContain('2 questions are not answered.')
  })
  it('asks for the kinds of the plan at hand and no other', () => {
    const wanted = consentsFor(steps)
    expect(wanted.length).toBeGreaterThan(1)
    const without = CONSENT_IDS.filter((kind) => kind === 'care' || !wanted.includes(kind))
    const open = texts(ready({ signatures: [{ ...signature, kinds: without }] }))
    expect(open).toHaveLength(1)
    expect(open[0]).toMatch(/^Consent is not signed for /)
  })
  it('does not take a client for a guardian, nor a signature that was taken back', () => {
    const young = { ...client, age: 15 }
    expect(texts(ready({ client: young }))).toContain('A guardian signs for this client.')
    expect(texts(ready({ client: young, signatures: [{ ...signature, guardian: true }] }))).toEqual(
      [],
    )
    const back = ready({ withdrawals: [{ kinds: CONSENT_IDS, at: 2 }] })
    expect(standingHere(back)).toEqual([])
    expect(texts(back)).toContain('Consent is not signed.')
  })
  it("wants a colleague's countersign for a trainee, once", () => {
    const trainee = { ...staff, role: 'trainee' as const }
    expect(texts(ready({ staff: trainee }))).toEqual([
      "A trainee's plan needs a colleague's countersign.",
    ])
    const plans = [{ ...draft, countersignedBy: 'someone' }]
    expect(texts(ready({ staff: trainee, plans }))).toEqual([])
  })
  it('says the first rule a plan breaks and how many more', () => {
    const broken = [{ ...draft, steps: steps.filter((step) => step.technique !== 'sunProtection') }]
    expect(texts(ready({ plans: broken }))).toHaveLength(1)
  })
})

describe('the stops', () => {
  it('a visit goes on where its status says', () => {
    expect(VISIT_STATUSES.map(stopOf)).toEqual(['ask', 'treat', 'close', 'close', 'ask'])
    expect(openStop('booked', { ask: false, read: true })).toBe('ask')
    expect(openStop('booked', { ask: true, read: false })).toBe('read')
    expect(openStop('booked', { ask: true, read: true })).toBe('plan')
    expect(openStop('treating', { ask: false, read: false })).toBe('treat')
  })
  it('each is ready exactly where nothing is open at it', () => {
    const bundle = ready()
    const marks = (open: Parameters<typeof stopMark>[2]) =>
      STOP_IDS.map((stop) => stopMark(stop, bundle, open, true))
    expect(marks([]).map((mark) => mark.mark)).toEqual([
      'done',
      'done',
      'done',
      'none',
      'none',
      'none',
    ])
    const open = marks([{ stop: 'read', text: 'The skin is not read.' }])
    expect(open[1]).toEqual({ mark: 'open', word: 'The skin is not read.' })
    expect(open[0]?.mark).toBe('done')
  })
})
