import { randomUUID } from 'node:crypto'
import { demoId } from '#db/demo/ids'
import type { Who } from '../support/accounts'
import { STAFF, tap } from '../support/visit'

export type Kind = Who | 'nobody'
export const KINDS: readonly Kind[] = ['owner', 'therapist', 'trainee', 'nobody']
/**
 * What each person may do: on their own visit or client (`own`), and on one of a colleague
 * (`other`).
 */
export interface Row {
  route: string
  body?: (id: string, who: Kind) => unknown
  own: readonly Who[]
  other?: readonly Who[]
  object?: 'visit' | 'client'
}
export const ALL: readonly Who[] = ['owner', 'therapist', 'trainee']
export const SENIOR: readonly Who[] = ['owner', 'therapist']
export const OWNER: readonly Who[] = ['owner']
export const client = {
  name: 'Table Test',
  born: '',
  phone: '',
  email: '',
  work: '',
  medicines: '',
  notes: '',
  faceHeightMm: 190,
  faceWidthMm: 140,
}

/**
 * One row a route; the test below fails for a route without one. `own` on a visit: the caller holds
 * it.
 */
export const TABLE: readonly Row[] = [
  { route: 'GET /api/session', own: ALL },
  { route: 'GET /api/staff', own: ALL },
  { route: 'GET /api/people', own: ALL },
  { route: 'GET /api/shelf', own: ALL },
  { route: 'GET /api/day', own: ALL },
  { route: 'GET /api/meters', own: ALL },
  { route: 'GET /api/practice', own: OWNER },
  { route: 'GET /api/practice/chain', own: OWNER },
  { route: 'POST /api/people', own: ALL, body: () => ({ id: randomUUID(), ...client }) },
  {
    route: 'POST /api/visits',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: (clientId, who) => ({
      id: randomUUID(),
      clientId,
      staffId: STAFF[who === 'nobody' ? 'owner' : who],
      roomId: demoId('room-lake'),
      startsAt: '2031-01-01T10:00:00Z',
      minutes: 60,
    }),
  },
  {
    route: 'PUT /api/session/code',
    own: [],
    body: () => ({ code: '1234', password: 'not the password' }),
  },
  { route: 'GET /api/people/[id]', object: 'client', own: ALL, other: OWNER },
  {
    route: 'PATCH /api/people/[id]',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 99, ...client }),
  },
  { route: 'GET /api/people/[id]/export', object: 'client', own: SENIOR, other: OWNER },
  {
    route: 'POST /api/people/[id]/imports',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), text: '{' }),
  },
  { route: 'POST /api/people/[id]/erase', object: 'client', own: OWNER, other: OWNER },
  { route: 'GET /api/visits/[id]', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/events', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/next', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/stream', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/export', object: 'visit', own: SENIOR, other: OWNER },
  {
    route: 'PATCH /api/visits/[id]',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 99 }),
  },
  {
    route: 'PUT /api/visits/[id]/answers',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), answers: {}, medicines: '' }),
  },
  {
    route: 'POST /api/visits/[id]/consent',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({
      id: randomUUID(),
      method: 'typed',
      name: 'x',
      confirmed: true,
      guardian: false,
      kinds: ['care'],
    }),
  },
  {
    route: 'POST /api/visits/[id]/withdrawals',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), kinds: ['needling'] }),
  },
  {
    route: 'PUT /api/visits/[id]/preferences',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ preferences: { talk: 'quiet' } }),
  },
  {
    route: 'POST /api/visits/[id]/lifts',
    object: 'visit',
    own: SENIOR,
    other: OWNER,
    body: () => ({ id: randomUUID(), rule: 'pregnancy-heat', word: '', reason: 'table test' }),
  },
  {
    route: 'POST /api/visits/[id]/patch-tests',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), productId: 'serum-tide', place: 'behindEar' }),
  },
  {
    route: 'POST /api/visits/[id]/patch-reads',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), testId: randomUUID(), result: 'clear' }),
  },
  {
    route: 'POST /api/visits/[id]/halves',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({
      id: randomUUID(),
      moment: 'before',
      worked: 'L',
      light: 'ring lamp',
      grades: {},
    }),
  },
  {
    route: 'POST /api/house-rules',
    own: OWNER,
    body: () => ({
      id: randomUUID(),
      rule: 'filler-later',
      change: { days: 1 },
      reason: 'looser: refused',
    }),
  },
  { route: 'POST /api/house-rules/[id]/end', own: OWNER },
  { route: 'GET /api/method', own: ALL },
  {
    route: 'PUT /api/policy',
    own: OWNER,
    body: () => ({ id: randomUUID(), policy: { camps: {}, without: [] }, reason: 'table test' }),
  },
  {
    route: 'POST /api/protocols',
    own: SENIOR,
    body: () => ({
      id: randomUUID(),
      name: 'Table Test',
      note: '',
      steps: [{ technique: 'enzyme', minutes: 5 }],
    }),
  },
  {
    route: 'POST /api/protocols/[id]/versions',
    own: SENIOR,
    body: () => ({ version: 2, note: '', steps: [{ technique: 'enzyme', minutes: 5 }] }),
  },
  { route: 'POST /api/protocols/[id]/retire', own: OWNER },
  {
    route: 'PUT /api/scope',
    own: OWNER,
    body: () => ({ staffId: randomUUID(), licences: ['basic'], until: {} }),
  },
  {
    route: 'POST /api/visits/[id]/readings',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), phase: 'madeUp', zones: {} }),
  },
  {
    route: 'POST /api/visits/[id]/link',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID() }),
  },
  {
    route: 'POST /api/visits/[id]/meter',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), kind: 'hydration', zone: 'nose', phase: 'madeUp' }),
  },
  {
    route: 'PUT /api/visits/[id]/plan',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ steps: [] }),
  },
  { route: 'POST /api/visits/[id]/start', object: 'visit', own: ALL, other: OWNER },
  {
    route: 'POST /api/visits/[id]/versions',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 2, reason: 'x', steps: [] }),
  },
  {
    route: 'POST /api/visits/[id]/events',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ events: [tap({ kind: 'held' })] }),
  },
  {
    route: 'PUT /api/visits/[id]/record',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ text: 'x', version: 1 }),
  },
  {
    route: 'POST /api/visits/[id]/seal',
    object: 'visit',
    own: SENIOR,
    other: OWNER,
    body: () => ({ text: 'x' }),
  },
  {
    route: 'POST /api/visits/[id]/amendments',
    object: 'visit',
    own: SENIOR,
    other: OWNER,
    body: () => ({ id: randomUUID(), after: 'x', reason: 'y' }),
  },
  { route: 'POST /api/visits/[id]/countersign', object: 'visit', own: [], other: [] },
  { route: 'POST /api/visits/[id]/printed', object: 'visit', own: ALL, other: OWNER },
  { route: 'POST /api/visits/[id]/follow-up', object: 'visit', own: ALL, other: OWNER },
  { route: 'POST /api/session/lock', own: ALL },
  { route: 'POST /api/session/unlock', own: [], body: () => ({ code: '0000' }) },
  { route: 'POST /api/session/revoke', own: ALL },
]
/** Open to anyone, and tested elsewhere. */
