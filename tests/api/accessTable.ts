import { randomUUID } from 'node:crypto'
import { demoId } from '#db/demo/ids'
import { ACCOUNTS } from '../support/accounts'
import { STAFF } from '../support/visit'
import { HOUSE_ROUTES } from './houseRoutes'
import { VISIT_ROUTES } from './visitRoutes'
import { ALL, OWNER, SENIOR, type Row } from './rights'

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

/** A day of its own for each booking of the table. */
let row = 0

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
  { route: 'GET /api/messages', own: ALL },
  { route: 'POST /api/messages/[id]', own: ALL, body: () => ({ does: 'stop' }) },
  ...HOUSE_ROUTES,
  ...VISIT_ROUTES,
  { route: 'GET /api/practice', own: OWNER },
  { route: 'GET /api/practice/chain', own: OWNER },
  { route: 'GET /api/practice/head', own: OWNER },
  { route: 'POST /api/practice/head', own: OWNER, body: () => ({ line: 'x' }) },
  { route: 'GET /api/audit', own: OWNER },
  { route: 'POST /api/people', own: ALL, body: () => ({ id: randomUUID(), ...client }) },
  {
    route: 'POST /api/people/files',
    own: SENIOR,
    body: () => ({ id: randomUUID(), text: '{' }),
  },
  { route: 'POST /api/people/files/read', own: ALL, body: () => ({ text: '{' }) },
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
      startsAt: new Date(Date.UTC(2031, 0, (row += 1), 10)).toISOString(),
      minutes: 60,
    }),
  },
  {
    route: 'PUT /api/session/code',
    own: [],
    body: () => ({ code: '1234', password: 'not the password' }),
  },
  { route: 'GET /api/people/[id]', object: 'client', own: ALL, other: OWNER },
  { route: 'GET /api/people/[id]/visits', object: 'client', own: ALL, other: OWNER },
  {
    route: 'PATCH /api/people/[id]',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 99, ...client }),
  },
  { route: 'GET /api/people/[id]/export', object: 'client', own: SENIOR, other: OWNER },
  { route: 'GET /api/people/[id]/imports', object: 'client', own: ALL, other: OWNER },
  {
    route: 'POST /api/people/[id]/imports',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), text: '{' }),
  },
  { route: 'GET /api/people/[id]/practices', object: 'client', own: ALL, other: OWNER },
  {
    route: 'PUT /api/people/[id]/practices',
    object: 'client',
    own: OWNER,
    other: OWNER,
    body: () => ({ branch: randomUUID(), allowed: true, agreed: true }),
  },
  { route: 'GET /api/people/[id]/joins', object: 'client', own: OWNER, other: OWNER },
  {
    route: 'POST /api/people/[id]/join',
    object: 'client',
    own: OWNER,
    other: OWNER,
    body: () => ({ id: randomUUID(), otherId: randomUUID() }),
  },
  {
    route: 'POST /api/people/[id]/part',
    object: 'client',
    own: OWNER,
    other: OWNER,
    body: () => ({ joinId: randomUUID() }),
  },
  {
    route: 'POST /api/people/[id]/erase',
    object: 'client',
    own: OWNER,
    other: OWNER,
    body: () => ({ password: ACCOUNTS.owner.password }),
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
    route: 'PUT /api/own/kinds',
    own: OWNER,
    body: () => ({
      kind: {
        ...{ id: `own-${randomUUID()}`, name: 'Table Test', from: 'lamp', also: [] },
        ...{ loadPercent: 100, cleaning: 'Wiped.' },
      },
      version: 0,
      retired: true,
    }),
  },
  {
    route: 'PUT /api/own/ways',
    own: OWNER,
    body: () => ({
      way: { id: randomUUID(), name: 'Table Test', from: 'enzyme', usual: false, never: [] },
      version: 0,
      retired: true,
    }),
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
  { route: 'GET /api/session/key', own: ALL },
  { route: 'POST /api/session/factor', own: [], body: () => ({ password: 'x' }) },
  { route: 'POST /api/session/factor/confirm', own: ALL, body: () => ({ code: '000000' }) },
  { route: 'POST /api/session/factor/end', own: [], body: () => ({ password: 'x' }) },
  { route: 'POST /api/session/lock', own: ALL },
  { route: 'POST /api/session/unlock', own: [], body: () => ({ code: '0000' }) },
  { route: 'POST /api/session/revoke', own: ALL },
]
/** Open to anyone, and tested elsewhere. */
