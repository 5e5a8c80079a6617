import { z } from 'zod'
import { CONCERN_IDS, LICENCE_IDS } from '#core/catalogue/kinds'
import { SCHOOL_IDS } from '#core/catalogue/schools/schools'
import { REGION_IDS, ZONE_IDS } from '#core/face/zones'

export const id = z.uuid('not an id')
export const day = z.iso.date('a day as YYYY-MM-DD')
export const moment = z.iso.datetime({ offset: true, message: 'a moment as YYYY-MM-DDThh:mm:ssZ' })
export const line = (most: number) => z.string().trim().max(most, `at most ${most} characters`)
export const said = (most: number) => line(most).min(1, 'must not be empty')
export const regionId = z.enum(REGION_IDS)
export const zoneId = z.enum(ZONE_IDS)
export const regions = z.array(regionId).max(12)
export const aims = z
  .array(z.enum(CONCERN_IDS))
  .max(5, 'at most five aims')
  .refine((aims) => new Set(aims).size === aims.length, 'each aim once')
export const school = z.enum(SCHOOL_IDS)
export const licences = z.array(z.enum(LICENCE_IDS))
