import { z } from 'zod'
import { DEVICE_KINDS, PRODUCT_KINDS } from '#core/catalogue/kinds'
import type { DeviceKey, OwnKind, OwnKindId } from '#core/catalogue/techniques/ownShapes'
import { ALSO_FAMILIES, OWN_LOAD } from '#core/catalogue/techniques/ownWay'
import { TECHNIQUE_IDS, type OwnWay } from '#core/catalogue/techniques/techniques'
import { isWholeTicks } from '#core/units'
import { id, line, regions, said, version } from './common'

const OWN_DEVICE = /^own-[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/
/** A kind of device of the practice's own. */
export const ownKindId = z
  .string()
  .regex(OWN_DEVICE, 'not a kind of device')
  .transform((text) => text as OwnKindId)
/** A kind of device, of the catalogue or of the practice. */
export const deviceKey: z.ZodType<DeviceKey> = z.union([z.enum(DEVICE_KINDS), ownKindId])

const LOAD_WORDS = `${OWN_LOAD.least} to ${OWN_LOAD.most} %`
const level = z.number().min(0, 'at least 0').max(1000, 'at most 1,000')
const levels = z
  .strictObject({
    least: level,
    most: level,
    step: z.number().min(0.01, 'at least 0.01').max(1000, 'at most 1,000'),
  })
  .refine(({ least, most }) => least <= most, 'lowest level first')
export const ownKind: z.ZodType<OwnKind> = z.strictObject({
  id: ownKindId,
  name: said(60),
  from: z.enum(DEVICE_KINDS),
  levels: levels.optional(),
  also: z.array(z.enum(ALSO_FAMILIES)).max(ALSO_FAMILIES.length),
  loadPercent: z
    .int('whole per cent')
    .min(OWN_LOAD.least, LOAD_WORDS)
    .max(OWN_LOAD.most, LOAD_WORDS),
  medium: z.enum(PRODUCT_KINDS).optional(),
  cleaning: said(300),
})

const halfMinutes = z
  .number()
  .min(0.5, 'at least half a minute')
  .max(90, 'at most 90 minutes')
  .refine(isWholeTicks, 'whole half-minutes')
const way = {
  id,
  name: said(60),
  from: z.enum(TECHNIQUE_IDS),
  usual: z.boolean(),
  minutesLeast: halfMinutes.optional(),
  minutesMost: halfMinutes.optional(),
  restMost: halfMinutes.optional(),
  passesMost: z.int('whole passes').min(1, 'at least 1').max(9, 'at most 9').optional(),
  never: regions,
  hand: line(200).optional(),
  say: line(200).optional(),
  confirm: line(200).optional(),
}
/** A technique as the practice does it, as a plan keeps it. */
export const ownWay: z.ZodType<OwnWay> = z.strictObject({ ...way, device: ownKind.optional() })

/** Kept, or taken off the list: what was done with it stands. */
export const ownKindPut = z.strictObject({ kind: ownKind, version, retired: z.boolean() })
export const ownWayPut = z.strictObject({
  way: z.strictObject({ ...way, deviceId: ownKindId.optional() }),
  version,
  retired: z.boolean(),
})
