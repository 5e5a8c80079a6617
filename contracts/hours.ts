import { z } from 'zod'
import { COURSE, VISIT_MINUTES } from '#core/catalogue/rules/visit'
import { isVisitLength } from '#core/timing/places'
import { day, id, moment, said } from './common'

const minute = (least: number) =>
  z.int('whole minutes').min(least, 'from 00:00').max(1440, 'to 24:00')
export const opening = z
  .strictObject({
    weekday: z.int().min(1, '1 Monday to 7 Sunday').max(7, '1 Monday to 7 Sunday'),
    fromMinute: minute(0),
    toMinute: minute(1),
  })
  .refine((own) => own.fromMinute < own.toMinute, 'ends after it begins')

/** The hours of the house (no person) or of one person, whole: what is not here is not open. */
export const openingsPut = z.strictObject({
  staffId: id.nullable(),
  openings: z.array(opening).max(28, 'at most four stretches a day'),
})
/** Days on which the house is shut (no person) or somebody is away. */
export const absencePost = z
  .strictObject({
    id,
    staffId: id.nullable(),
    firstDay: day,
    lastDay: day,
    word: said(80),
  })
  .refine((own) => own.firstDay <= own.lastDay, {
    path: ['lastDay'],
    message: 'not before the first',
  })

export type Opening = z.infer<typeof opening>
export type AbsenceLine = z.infer<typeof absencePost>

const LONGEST_SEARCH_DAYS = 28
/** Places that are offered at once; more where the best of several days is looked for. */
export const OFFERED_USUAL = 60
export const OFFERED_LONGEST = 2000
export const placesQuery = z.strictObject({
  from: day,
  days: z.coerce.number().int().min(1).max(LONGEST_SEARCH_DAYS).default(7),
  minutes: z.coerce
    .number()
    .int()
    .refine(isVisitLength, `${VISIT_MINUTES.least} to ${VISIT_MINUTES.most} minutes`),
  /** Days are added until there are so many places. */
  most: z.coerce.number().int().min(1).max(OFFERED_LONGEST).default(OFFERED_USUAL),
  staffId: id.optional(),
  roomId: id.optional(),
  /** The room that is offered where it is free; any other where it is not. */
  wishedRoomId: id.optional(),
  /** Whom it is for: nobody is in two rooms at once. */
  clientId: id.optional(),
  /** The visit that is moved: it does not stand in its own way. */
  visitId: id.optional(),
})

const whole = (least: number, most: number) => z.coerce.number().int().min(least).max(most)
/** Where a course of visits could stand, from a day on. */
export const courseQuery = z.strictObject({
  from: day,
  count: whole(COURSE.least, COURSE.most),
  weeks: whole(COURSE.weeksLeast, COURSE.weeksMost),
})
/** A course of visits, booked whole or not at all. */
export const coursePost = z.strictObject({
  places: z
    .array(z.strictObject({ id, startsAt: moment, roomId: id }))
    .min(1, 'at least one')
    .max(COURSE.most, `at most ${COURSE.most}`)
    .refine((list) => new Set(list.map(({ id: own }) => own)).size === list.length, 'each once'),
})
