import { DateTime } from 'luxon'
import type { VisitBundle } from '#core/visit/bundle'
import { NO_POLICY } from '#core/catalogue/schools/schools'
import { REFERENCE_FACE } from '#core/face/regions'
import type { Answers } from '#core/screening/asking/answers'
import type { Readings } from '#core/skin/readings'
import type { DemoClient } from './clients'
import { DEVICES, HOUSE, ROOMS, STAFF, ZONE } from './house'
import { demoId } from './ids'

/** A visit of the demo as the house would read it, for making its record and its plan. */
export function demoBundle(
  demoClient: DemoClient,
  id: string,
  startsAt: number,
  steps: VisitBundle['plans'][0]['steps'],
  events: VisitBundle['events'],
  zones: Readings,
  answers: Answers,
  shelf: VisitBundle['shelf'],
): VisitBundle {
  return {
    now: startsAt,
    today: DateTime.fromMillis(startsAt, { zone: ZONE }).toISODate() ?? '',
    visit: {
      id,
      startsAt,
      at: startsAt,
      minutes: 60,
      makeUp: ['light'],
      evening: false,
      aims: demoClient.aims,
      named: demoClient.named ?? [],
      school: demoClient.school,
      status: 'closing',
      version: 1,
      recordText: '',
      nextVisitAt: null,
    },
    client: {
      id: demoId(demoClient.key),
      name: demoClient.name,
      born: demoClient.born,
      age: Math.floor((startsAt - Date.parse(demoClient.born)) / 31_557_600_000),
      work: demoClient.work,
      medicines: demoClient.medicines,
      notes: demoClient.notes,
      preferences: demoClient.likes ?? {},
      faceHeightMm: REFERENCE_FACE.height * 10,
      faceWidthMm: REFERENCE_FACE.width * 10,
    },
    staff: {
      id: demoId('ilse'),
      name: STAFF[0].name,
      role: 'owner',
      licences: [...STAFF[0].licences],
      scope: [],
    },
    room: { id: demoId('room-lake'), name: ROOMS.lake },
    practice: { ...HOUSE, timeZone: ZONE, currency: 'EUR', cardText: '' },
    may: { write: true, seal: true, countersign: false, export: true },
    answers,
    answered: true,
    answerVersions: [],
    previousAnswers: null,
    fromClient: null,
    consent: { method: 'pen', name: null, at: startsAt, guardian: false },
    signatures: [],
    withdrawals: [],
    whole: demoClient.whole ?? {},
    halves: [],
    photographs: [],
    houseRules: [],
    lifts: [],
    policy: NO_POLICY,
    protocols: [],
    previousPlan: null,
    patchTests: [],
    reactions: [],
    usedProducts: [],
    patchAgain: null,
    readings: { madeUp: zones, bare: null },
    previousReading: null,
    baseline: null,
    meters: { today: [], before: [] },
    plans: [
      { version: 1, steps, reason: '', countersignedBy: null, unseen: false, protocol: null },
    ],
    past: [],
    poured: [],
    shelf,
    devices: DEVICES.map(([kind]) => kind as 'steamer'),
    held: [],
    laid: [],
    events,
    seal: null,
    record: [],
    amendments: [],
    followUp: null,
    nextBooked: null,
    lastTime: null,
  }
}
