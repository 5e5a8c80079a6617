import { z } from 'zod'
import { practicePut } from '../house'
import { absencePost, opening } from '../hours'
import { deviceKey } from '../ownWays'
import { at, count, id, isoDay, maybe, text } from './common'
import { role } from './people'

/** A one-time link: what opens it, this once, and until when. */
export const staffLink = z.strictObject({ token: text, expiresAt: at })
export type StaffLink = z.infer<typeof staffLink>
const roomLine = z.strictObject({ id, name: text, closed: z.boolean() })
export type RoomLine = z.infer<typeof roomLine>
const devicePart = z.strictObject({
  id,
  name: text,
  pieces: count,
  reorderPieces: count.nullable(),
})
export type DevicePart = z.infer<typeof devicePart>
const deviceLine = z.strictObject({
  id,
  kind: deviceKey,
  name: text,
  serial: text,
  serviceDue: isoDay.nullable(),
  ready: z.boolean(),
  roomIds: z.array(id),
  parts: z.array(devicePart),
})
export type DeviceLine = z.infer<typeof deviceLine>
const staffLine = z.strictObject({
  id,
  name: text,
  email: text,
  role,
  active: z.boolean(),
  /** Has chosen a password and may sign in. */
  joined: z.boolean(),
  hasFactor: z.boolean(),
})
export type StaffLine = z.infer<typeof staffLine>
/** What a house is furnished with. */
export const housePage = z.strictObject({
  house: practicePut,
  rooms: z.array(roomLine),
  devices: z.array(deviceLine),
  /** Kinds of device of the practice's own. */
  ownKinds: z.array(z.strictObject({ kind: deviceKey, name: text, retired: z.boolean() })),
  people: z.array(staffLine),
  /** Products on the shelf that are kept. */
  products: count,
})
export type HousePage = z.infer<typeof housePage>

/** All hours of a house: its own and of everybody who works here. */
export const hoursPage = z.strictObject({
  openings: z.array(opening.safeExtend({ staffId: id.nullable() })),
  /** From today on. */
  absences: z.array(absencePost),
})
export type HoursPage = z.infer<typeof hoursPage>

const place = z.strictObject({
  startsAt: at,
  day: isoDay,
  staffId: id,
  staff: text,
  roomId: id,
  room: text,
})
export type Place = z.infer<typeof place>
export const places = z.array(place)

/** One day of a week: how much of it is open, and how much of that is taken. */
const weekDay = z.strictObject({
  day: isoDay,
  visits: count,
  /** Minutes of all open rooms, and of these taken. */
  openMinutes: count,
  takenMinutes: count,
  /** Why the house is shut. */
  shut: maybe,
})
export type WeekDay = z.infer<typeof weekDay>
export const week = z.array(weekDay)
