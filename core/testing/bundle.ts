import { NO_POLICY } from '../catalogue/schools/schools'
import type { VisitBundle } from '../visit/bundle'
import { allNo, planInput, readAll, RESILIENT, TODAY } from './fixtures'

const NOON = Date.parse(`${TODAY}T12:00:00Z`)

/** Nothing signed, tested, treated or written before. */
const NOTHING_BEFORE = {
  signatures: [],
  withdrawals: [],
  whole: {},
  halves: [],
  photographs: [],
  previousReading: null,
  baseline: null,
  meters: { today: [], before: [] },
  plans: [],
  past: [],
  poured: [],
  houseRules: [],
  lifts: [],
  policy: NO_POLICY,
  protocols: [],
  previousPlan: null,
  patchTests: [],
  reactions: [],
  patchAgain: null,
  usedProducts: [],
  events: [],
  seal: null,
  record: [],
  amendments: [],
  followUp: null,
  nextBooked: null,
  lastTime: null,
  learned: {},
  openHalves: [],
} satisfies Partial<VisitBundle>

/** A visit as the house would give it: asked, read, not yet planned. Nothing here is a fact. */
export function visitBundle(more: Partial<VisitBundle> = {}): VisitBundle {
  const { shelf, devices, licences } = planInput()
  return {
    now: NOON,
    today: TODAY,
    visit: {
      id: 'visit',
      startsAt: NOON,
      at: NOON,
      minutes: 60,
      makeUp: ['light'],
      evening: false,
      aims: ['congestion', 'dehydration', 'rest'],
      named: [],
      school: 'warmCloth',
      status: 'booked',
      version: 1,
      recordText: '',
      nextVisitAt: null,
    },
    client: {
      id: 'client',
      name: 'A client',
      born: '1990-01-01',
      age: 36,
      work: null,
      medicines: '',
      notes: '',
      preferences: {},
      faceHeightMm: 190,
      faceWidthMm: 140,
    },
    staff: { id: 'staff', name: 'A therapist', role: 'owner', licences: [...licences], scope: [] },
    room: { id: 'room', name: 'Room' },
    practice: {
      name: 'House',
      address: '',
      phone: '',
      emergency: '112',
      timeZone: 'Europe/Oslo',
      currency: 'EUR',
      cardText: '',
    },
    may: { write: true, seal: true, countersign: false, export: true },
    answers: allNo(),
    answered: true,
    answerVersions: [],
    previousAnswers: null,
    fromClient: null,
    consent: null,
    readings: { madeUp: readAll(RESILIENT), bare: null },
    ...NOTHING_BEFORE,
    shelf: [...shelf],
    devices: [...devices],
    held: [],
    laid: [],
    ...more,
  }
}
