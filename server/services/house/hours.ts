import type { HoursPage } from '#contracts/replies/house'
import { asc, eq, gte, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import type { absencePost, openingsPut } from '#contracts/hours'
import { openOn, shutBecause, type Hours, type Stretch } from '#core/timing/places'
import { absences, openings } from '#db/schema'
import { notFound } from '../../problem/problem'
import { database } from '../database'
import { dayIn, weekdayOf } from '../dates'
import { thePractice } from '../practice'

/** All hours of the house and its people, and who is away from a day on. */
export async function readHours(from: string): Promise<HoursPage> {
  const db = database()
  const [open, away] = await Promise.all([
    db.select().from(openings).orderBy(asc(openings.weekday), asc(openings.fromMinute)),
    db.select().from(absences).where(gte(absences.lastDay, from)).orderBy(asc(absences.firstDay)),
  ])
  return {
    openings: open.map(({ staffId, weekday, fromMinute, toMinute }) => ({
      staffId,
      weekday,
      fromMinute,
      toMinute,
    })),
    absences: away,
  }
}

export const readHoursNow = async (): Promise<HoursPage> =>
  readHours(dayIn((await thePractice()).timeZone, Date.now()))

/** Replaces the hours of the house or of one person. */
export async function keepOpenings(body: z.infer<typeof openingsPut>): Promise<void> {
  const { staffId } = body
  await database().transaction(async (tx) => {
    await tx
      .delete(openings)
      .where(staffId === null ? isNull(openings.staffId) : eq(openings.staffId, staffId))
    if (body.openings.length > 0)
      await tx
        .insert(openings)
        .values(body.openings.map((own) => ({ id: crypto.randomUUID(), staffId, ...own })))
  })
}

export async function addAbsence(body: z.infer<typeof absencePost>): Promise<void> {
  await database().insert(absences).values(body).onConflictDoNothing()
}

export async function dropAbsence(id: string): Promise<void> {
  const gone = await database()
    .delete(absences)
    .where(eq(absences.id, id))
    .returning({ id: absences.id })
  if (gone.length === 0) throw notFound()
}

/** The hours of the house (null) or of one person, as the core asks for them. */
export const hoursOf = (page: HoursPage, staffId: string | null): Hours => ({
  openings: page.openings
    .filter((own) => own.staffId === staffId)
    .map(({ weekday, fromMinute, toMinute }) => ({ weekday, from: fromMinute, to: toMinute })),
  absences: page.absences.filter((own) => own.staffId === staffId),
})

/** What of a day is open for the house or a person. */
export const openThatDay = (page: HoursPage, staffId: string | null, day: string): Stretch[] =>
  openOn(hoursOf(page, staffId), day, weekdayOf(day))

export const shutThatDay = (page: HoursPage, staffId: string | null, day: string) =>
  shutBecause(hoursOf(page, staffId), day)
