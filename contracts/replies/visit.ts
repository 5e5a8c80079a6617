import { z } from 'zod'
import { METER_KINDS } from '#core/catalogue/skin/meters'
import type { DeviceSays } from '#core/treatment/step/onTheLine'
import { keptTap, meterReading } from './bundle'
import { at, isoDay, maybe, text } from './common'

/** All taps of a visit, the bottles that were called back, and when answers were kept last. */
export const tapsReply = z.strictObject({
  events: z.array(keptTap),
  recalled: z.array(text),
  toldAt: at.nullable(),
  now: at,
})
/** Which taps stand now, each with its moment by the house's clock. */
export const keptTaps = z.strictObject({
  kept: z.array(z.strictObject({ id: text, at })),
  now: at,
})
export const deviceSays: z.ZodType<DeviceSays> = z.strictObject({
  level: z.number().optional(),
  unit: text,
  running: z.boolean(),
  ready: z.boolean(),
  fault: maybe,
})
export const meterTaken = z.strictObject({ reading: meterReading, batteryLow: z.boolean() })
const meter = z.strictObject({
  kind: z.enum(METER_KINDS),
  name: text,
  unit: text,
  least: z.number(),
  most: z.number(),
  repeatability: z.number(),
})
/** The meters that this house has on a line. */
export const metersReply = z.strictObject({ meters: z.array(meter) })
/** What the link for a client's own device opens with, this once. */
export const linkReply = z.strictObject({ token: text, expiresAt: at })
export const formOpened = z.strictObject({ practice: text, expiresAt: at, today: isoDay })
