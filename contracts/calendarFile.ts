import { createEvents } from 'ics'
import { DateTime } from 'luxon'
import { foldLines } from './foldLines'

/** An appointment as iCalendar (RFC 5545): a moment in UTC, so that no clock change can move it. */
export function calendarFile(
  { id, at, minutes }: { id: string; at: Date; minutes: number },
  { name, address, phone }: { name: string; address: string; phone: string },
): string | null {
  const moment = DateTime.fromJSDate(at).toUTC()
  const { value } = createEvents([
    {
      uid: `${id}-next@oak-basin`,
      productId: 'Oak Basin',
      title: `Appointment, ${name}`,
      location: address,
      description: `Phone ${phone}`,
      start: [moment.year, moment.month, moment.day, moment.hour, moment.minute],
      startInputType: 'utc',
      startOutputType: 'utc',
      duration: { minutes },
      classification: 'PRIVATE',
      busyStatus: 'BUSY',
    },
  ])
  return value ? foldLines(value) : null
}
