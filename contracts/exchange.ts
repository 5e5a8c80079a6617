import { z } from 'zod'
import { FAMILY_IDS } from '#core/catalogue/kinds'
import { REGION_IDS } from '#core/face/zones'
import { regionId } from '#core/shapes'
import { id, said, line } from './common'

/** The open file of one visit. Published as `docs/formats/visit.schema.json`. */
const json: z.ZodType<unknown> = z.unknown()
const known = <Name extends string>(names: readonly Name[]) =>
  z.array(z.string()).transform((given) => names.filter((name) => given.includes(name)))
const hex = z.string().regex(/^[0-9a-f]{64}$/)
export const visitDocument = z.strictObject({
  format: z.literal('oak-basin/visit'),
  formatVersion: z.literal(1),
  exportedAt: z.iso.datetime(),
  practice: z.strictObject({ name: said(200) }),
  client: z.strictObject({ name: said(120), born: z.iso.date().nullable() }),
  visit: z.strictObject({
    id: z.uuid(),
    startsAt: z.iso.datetime(),
    minutes: z.int().min(15).max(180),
    therapist: said(120),
    room: said(120),
  }),
  seal: z.strictObject({
    number: z.int().min(1),
    prev: hex,
    head: hex,
    sealedAt: z.iso.datetime(),
  }),
  parts: z
    .array(
      z.strictObject({
        name: said(60),
        commitment: hex,
        salt: z
          .string()
          .regex(/^[0-9a-f]{32,128}$/)
          .nullable(),
        content: json,
      }),
    )
    .min(1)
    .max(40),
  amendments: z
    .array(
      z.strictObject({
        at: z.iso.datetime(),
        by: said(120),
        before: line(8000),
        after: line(8000),
        reason: line(300),
        /** What proves it, where the house keeps a chain of amendments. */
        proof: z
          .strictObject({
            id: z.uuid(),
            byId: z.uuid(),
            prev: hex,
            head: hex,
            commitment: hex,
            salt: z.string().regex(/^[0-9a-f]{32,128}$/),
          })
          .optional(),
      }),
    )
    .max(200),
})
export type VisitDocument = z.infer<typeof visitDocument>

/** A whole client as it is written out; what is not read here is kept as it came. */
export const clientDocument = z.looseObject({
  format: z.literal('oak-basin/client'),
  formatVersion: z.literal(1),
  client: z.looseObject({
    name: said(120),
    born: z.iso.date().nullable(),
    phone: line(40).nullable(),
    email: line(200).nullable(),
    work: line(120).nullable(),
    medicines: line(2000),
    notes: line(4000),
    preferences: z.record(z.string().max(40), z.string().max(40)).default({}),
    faceHeightMm: z.int().min(100).max(300),
    faceWidthMm: z.int().min(80).max(250),
  }),
  visits: z.array(
    z.looseObject({
      id: z.uuid(),
      startsAt: z.string().max(40),
      begunAt: z.string().max(40).nullable().default(null),
    }),
  ),
  seals: z.array(z.looseObject({ visitId: z.uuid(), prev: hex, head: hex })),
  record: z.array(
    z.looseObject({
      visitId: z.uuid(),
      place: z.int().min(0),
      name: said(60),
      commitment: hex,
      salt: z.string().nullable(),
      content: json,
    }),
  ),
})
/**
 * What a file says of its work, where it says it as ours do; what of it this house has no word for is
 * left aside.
 */
export const workElsewhere = z.object({
  families: known(FAMILY_IDS),
  regions: known(REGION_IDS),
  loads: z.partialRecord(regionId, z.number()).catch({}),
  label: z.string().catch('work elsewhere'),
  techniques: z.array(z.string()).catch([]),
  taken: z.enum(['well', 'badly']).optional().catch(undefined),
})
/** Bytes of a whole client at most: two years of visits with their pictures. */
export const CLIENT_BYTES = 20_000_000

export const IMPORT_BYTES = 1_000_000
/** The file of one visit, as text, for a client of this house. */
export const visitFilePost = z.strictObject({
  id,
  text: z.string().max(IMPORT_BYTES, 'at most 1 MB'),
  /** Name or birthday differ, and somebody has said that it is the same person. */
  confirmed: z.boolean().default(false),
})
/** The file of a whole client, as text. */
export const clientFilePost = z.strictObject({
  id,
  text: z.string().max(CLIENT_BYTES, 'at most 20 MB'),
})
/** A file of a visit or a whole client, as text, only to be read. */
export const fileHandedIn = z.strictObject({
  text: z.string().max(CLIENT_BYTES, 'at most 20 MB'),
})
export const IMPORT_DEPTH = 24

/**
 * Depth of a JSON text, read without building it, so that a deep file is refused before it is
 * parsed.
 */
export function jsonDepth(text: string): number {
  let depth = 0
  let deepest = 0
  let inString = false
  for (let i = 0; i < text.length; i++) {
    const letter = text[i]
    if (inString) {
      if (letter === '\\') i++
      else if (letter === '"') inString = false
      continue
    }
    if (letter === '"') inString = true
    else if (letter === '{' || letter === '[') deepest = Math.max(deepest, ++depth)
    else if (letter === '}' || letter === ']') depth--
  }
  return deepest
}
