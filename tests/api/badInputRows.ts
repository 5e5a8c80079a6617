import { randomUUID } from 'node:crypto'
import { demoId } from '#db/demo/ids'
import { ROOM, STAFF } from '../support/visit'
import { BAD_VISIT } from './badVisitRows'

export const person = {
  id: randomUUID(),
  name: 'Ok',
  born: '',
  phone: '',
  email: '',
  work: '',
  medicines: '',
  notes: '',
  faceHeightMm: 190,
  faceWidthMm: 140,
}
const booking = {
  id: randomUUID(),
  clientId: demoId('other-12'),
  staffId: STAFF.owner,
  roomId: ROOM,
  startsAt: '2031-02-02T10:00:00Z',
  minutes: 60,
}
/** Name, method, path (of the visit, or whole), body, field that is named. */
export const BAD_INPUT: [string, string, string, () => unknown, string][] = [
  ['no name', 'POST', '/api/people', () => ({ ...person, name: '' }), 'name'],
  ['a name of spaces', 'POST', '/api/people', () => ({ ...person, name: '   ' }), 'name'],
  [
    'an over-long name',
    'POST',
    '/api/people',
    () => ({ ...person, name: 'x'.repeat(121) }),
    'name',
  ],
  ['a name that is a number', 'POST', '/api/people', () => ({ ...person, name: 7 }), 'name'],
  [
    'a birthday that never was',
    'POST',
    '/api/people',
    () => ({ ...person, born: '1990-02-30' }),
    'born',
  ],
  ['a birthday to come', 'POST', '/api/people', () => ({ ...person, born: '2999-01-01' }), 'born'],
  [
    'an address that is none',
    'POST',
    '/api/people',
    () => ({ ...person, email: 'at home' }),
    'email',
  ],
  ['a phone of letters', 'POST', '/api/people', () => ({ ...person, phone: 'call me' }), 'phone'],
  [
    'a face in centimetres',
    'POST',
    '/api/people',
    () => ({ ...person, faceHeightMm: 19 }),
    'faceHeightMm',
  ],
  [
    'a face in metres',
    'POST',
    '/api/people',
    () => ({ ...person, faceWidthMm: 0.14 }),
    'faceWidthMm',
  ],
  ['a field nobody knows', 'POST', '/api/people', () => ({ ...person, colour: 'red' }), 'body'],
  [
    'a missing field',
    'POST',
    '/api/people',
    () => {
      const { work: _, ...rest } = person
      return rest
    },
    'work',
  ],
  ['a visit of no length', 'POST', '/api/visits', () => ({ ...booking, minutes: 0 }), 'minutes'],
  [
    'minutes with a unit',
    'POST',
    '/api/visits',
    () => ({ ...booking, minutes: '60 min' }),
    'minutes',
  ],
  ['an hour in seconds', 'POST', '/api/visits', () => ({ ...booking, minutes: 3600 }), 'minutes'],
  [
    'a moment without a zone',
    'POST',
    '/api/visits',
    () => ({ ...booking, startsAt: '2031-02-02T10:00' }),
    'startsAt',
  ],
  [
    'an unknown client',
    'POST',
    '/api/visits',
    () => ({ ...booking, clientId: randomUUID() }),
    'clientId',
  ],
  [
    'an unknown therapist',
    'POST',
    '/api/visits',
    () => ({ ...booking, staffId: randomUUID() }),
    'staffId',
  ],
  [
    'a house rule of no days',
    'POST',
    '/api/house-rules',
    () => ({ id: randomUUID(), rule: 'filler-later', change: { days: 0 }, reason: 'x' }),
    'change.days',
  ],
  [
    'a licence nobody has',
    'PUT',
    '/api/scope',
    () => ({ staffId: null, licences: ['surgery'], until: {} }),
    'licences',
  ],
  ['a short code', 'PUT', '/api/session/code', () => ({ code: '12', password: 'x' }), 'code'],
  ...BAD_VISIT,
]
