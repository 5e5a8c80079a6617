import { randomUUID } from 'node:crypto'
import { ACCOUNTS } from '../support/accounts'
import { ALL, OWNER, SENIOR, type Row } from './rights'

/** A plain product as the shelf takes it. */
export const product = {
  name: 'Table Test',
  line: '',
  kind: 'lipScrub',
  label: 'Sucrose',
  acid: null,
  pH: null,
  density: 1,
  dispenser: { kind: 'spatula', millilitres: 1 },
  suits: ['all'],
  calming: false,
  packMillilitres: 10,
  priceCents: 0,
  openMonths: 6,
}
/** Furnishing is the owner's; the shelf is everybody's but a trainee's. */
export const HOUSE_ROUTES: readonly Row[] = [
  { route: 'GET /api/house', own: OWNER },
  { route: 'GET /api/tools', own: ALL },
  {
    route: 'PUT /api/tools',
    own: SENIOR,
    body: () => ({ tool: 'goggles', pieces: 100, contactMinutes: 10 }),
  },
  {
    route: 'POST /api/cleanings',
    own: ALL,
    body: () => ({ id: randomUUID(), tool: 'goggles', step: 'washed', pieces: 1 }),
  },
  { route: 'GET /api/opened', own: ALL },
  { route: 'GET /api/shelf/order', own: ALL },
  {
    route: 'POST /api/opened',
    own: ALL,
    body: () => ({ id: randomUUID(), what: 'cloths' }),
  },
  { route: 'PUT /api/opened', own: ALL, body: () => ({ id: randomUUID(), how: 'used' }) },
  { route: 'GET /api/money', own: OWNER },
  { route: 'GET /api/money/earned', own: OWNER, query: 'month=2026-11' },
  { route: 'PUT /api/money/costs', own: OWNER, body: () => ({ version: -1, cents: {} }) },
  {
    route: 'PUT /api/money/prices',
    own: OWNER,
    body: () => ({ id: randomUUID(), version: 0, name: 'x', cents: 100, retired: true }),
  },
  {
    route: 'PUT /api/house',
    own: OWNER,
    body: () => ({
      version: -1,
      name: 'x',
      address: '',
      phone: '',
      emergency: '112',
      timeZone: 'Europe/Helsinki',
      school: 'warmCloth',
      cleaningMinutes: 10,
      retentionYears: 5,
      currency: 'EUR',
    }),
  },
  {
    route: 'PUT /api/rooms',
    own: OWNER,
    body: () => ({ id: randomUUID(), name: randomUUID(), closed: true }),
  },
  { route: 'GET /api/clients/imports', own: OWNER },
  { route: 'GET /api/clients/doubles', own: OWNER },
  {
    route: 'POST /api/clients/imports',
    own: OWNER,
    body: () => ({
      id: randomUUID(),
      rows: [
        {
          ...{ id: randomUUID(), name: 'Table Test', born: '', phone: '', email: '', work: '' },
          ...{ medicines: '', notes: '', faceHeightMm: 190, faceWidthMm: 140 },
        },
      ],
    }),
  },
  { route: 'DELETE /api/clients/imports/[id]', own: OWNER },
  { route: 'POST /api/clients/check', own: OWNER, body: () => ({ rows: [] }) },
  {
    route: 'POST /api/clients/export',
    own: OWNER,
    body: () => ({ password: ACCOUNTS.owner.password }),
  },
  { route: 'GET /api/hours', own: ALL },
  { route: 'GET /api/places', own: ALL },
  { route: 'GET /api/week', own: ALL },
  {
    route: 'PUT /api/openings',
    own: OWNER,
    body: () => ({ staffId: null, openings: [] }),
  },
  {
    route: 'POST /api/absences',
    own: OWNER,
    body: () => ({
      id: randomUUID(),
      staffId: null,
      firstDay: '2061-01-01',
      lastDay: '2061-01-02',
      word: 'shut',
    }),
  },
  { route: 'DELETE /api/absences/[id]', own: OWNER },
  {
    route: 'PUT /api/devices',
    own: OWNER,
    body: () => ({
      id: randomUUID(),
      kind: 'needlingPen',
      name: 'away',
      serial: '',
      serviceDue: null,
      ready: false,
    }),
  },
  {
    route: 'POST /api/staff',
    own: OWNER,
    body: () => ({
      id: randomUUID(),
      name: 'x',
      email: `${randomUUID()}@house.example`,
      role: 'trainee',
    }),
  },
  {
    route: 'PATCH /api/staff/[id]',
    own: OWNER,
    body: () => ({ name: 'x', email: 'x@house.example', role: 'trainee', active: false }),
  },
  { route: 'POST /api/staff/[id]/link', own: [], body: () => ({ password: 'not it' }) },
  { route: 'POST /api/staff/[id]/factor-end', own: [], body: () => ({ password: 'not it' }) },
  {
    route: 'PUT /api/session/password',
    own: [],
    body: () => ({ now: 'not the password', next: 'another-long-password' }),
  },
  { route: 'POST /api/shelf/starter', own: OWNER, body: () => ({}) },
  {
    route: 'POST /api/products/imports',
    own: SENIOR,
    body: () => ({ add: [], change: [] }),
  },
  {
    route: 'POST /api/stocktakes',
    own: SENIOR,
    body: () => ({ reason: '', counts: [{ id: randomUUID(), lotId: 'x', millilitres: 1 }] }),
  },
  { route: 'POST /api/products', own: SENIOR, body: () => ({ id: randomUUID(), ...product }) },
  {
    route: 'PUT /api/products',
    own: SENIOR,
    body: () => ({ id: randomUUID(), version: 1, retired: false, ...product }),
  },
  {
    route: 'POST /api/lots',
    own: SENIOR,
    body: () => ({
      id: randomUUID(),
      productId: randomUUID(),
      code: 'T1',
      expires: '2031-01-01',
      millilitres: 5,
    }),
  },
  {
    route: 'PUT /api/lots',
    own: SENIOR,
    body: () => ({ lotId: randomUUID(), code: 'T1', expires: '2031-01-01' }),
  },
  { route: 'GET /api/movements', own: SENIOR },
  {
    route: 'POST /api/movements',
    own: SENIOR,
    body: () => ({ id: randomUUID(), lotId: randomUUID(), kind: 'opened', reason: '' }),
  },
  {
    route: 'POST /api/recalls',
    own: SENIOR,
    body: () => ({ id: randomUUID(), code: randomUUID(), reason: 'x' }),
  },
]
