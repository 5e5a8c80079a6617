import { z } from 'zod'
import { REGION_IDS, ZONE_IDS } from './face/zones'

/** Shapes of what is said and where, shared by the taps of the room and by everything on the wire. */
export const line = (most: number) => z.string().trim().max(most, `at most ${most} characters`)
/** A line that says something: trimmed, not empty, of at most so many characters. */
export const said = (most: number) => line(most).min(1, 'must not be empty')
export const id = z.uuid('choose one')
export const regionId = z.enum(REGION_IDS)
export const zoneId = z.enum(ZONE_IDS)
export const regions = z.array(regionId).max(12)
