import { z } from 'zod'
import { REGION_IDS } from '#core/face/zones'
import { id, regionId } from '#core/shapes'

export { id } from '#core/shapes'

/** Shapes that several replies share. Nothing in a reply is left over: what is not here is not sent. */
export const text = z.string()
export const maybe = z.string().nullable()
/** A day of the house, YYYY-MM-DD. */
export const isoDay = z.iso.date()
/** Milliseconds since 1970. */
export const at = z.int()
export const count = z.int().min(0)
export const ok = z.strictObject({ ok: z.literal(true) })
export const made = z.strictObject({ id })
export const versioned = z.strictObject({ version: z.int() })
export const named = z.strictObject({ id, name: text })
/** A record by some of a list's names; the names that are missing have nothing. */
export const by = <Key extends string, Value extends z.ZodType>(
  keys: readonly Key[],
  value: Value,
) => z.partialRecord(z.enum(keys as unknown as Record<Key, Key>), value)
export const loads = by(REGION_IDS, z.number())
export const onRegions = z.array(regionId)
/** A page of a long list. */
export const paged = { total: count, page: z.int().min(1), pages: count }
/** What is written out as a file of this type, not as JSON. */
export const file = (media: string) => z.unknown().meta({ contentMediaType: media })
