import { z } from 'zod'
import { ZONE_IDS, type ZoneId } from '../face/zones'
import { ALL_READING_IDS, type AnyReadingId } from './readings'

export const grade = z.union(
  [z.literal(0), z.literal(1), z.literal(2), z.literal(3), z.literal(4)],
  'a grade from 0 to 4',
)
const zoneReading = z.strictObject(
  Object.fromEntries(ALL_READING_IDS.map((allReading) => [allReading, grade.optional()])) as Record<
    AnyReadingId,
    z.ZodOptional<typeof grade>
  >,
)
/** Grades by zone; what is missing was not read. */
export const readings = z.partialRecord(
  z.enum(ZONE_IDS) as unknown as z.ZodEnum<{ [K in ZoneId]: K }>,
  zoneReading,
)
