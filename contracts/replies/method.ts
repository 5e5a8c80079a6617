import { z } from 'zod'
import { TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import type { HousePolicy } from '#core/catalogue/schools/schools'
import type { ProtocolStep } from '#core/catalogue/techniques/step'
import { POINTS } from '#core/catalogue/schools/camps'
import { ownKind, ownWay } from '../ownWays'
import { at, by, count, id, text } from './common'

export const policy: z.ZodType<HousePolicy> = z.strictObject({
  camps: by(
    POINTS.map((point) => point.id),
    text,
  ),
  without: z.array(z.enum(TECHNIQUE_IDS)),
})
export const protocolStep: z.ZodType<ProtocolStep> = z.strictObject({
  technique: z.enum(TECHNIQUE_IDS),
  own: ownWay.optional(),
  minutes: z.number(),
})

/** A protocol of the house with all its versions, the latest first. */
const protocol = z.strictObject({
  id,
  name: text,
  expressOf: id.nullable(),
  retired: z.boolean(),
  versions: z.array(
    z.strictObject({
      version: z.int(),
      steps: z.array(protocolStep),
      note: text,
      by: text,
      at,
    }),
  ),
})
export type Protocol = z.infer<typeof protocol>
const policyLine = z.strictObject({ at, by: text, reason: text, policy })
export type PolicyLine = z.infer<typeof policyLine>
export const methodReply = z.strictObject({
  policy,
  history: z.array(policyLine),
  protocols: z.array(protocol),
  own: z.strictObject({
    kinds: z.array(z.strictObject({ kind: ownKind, version: count, retired: z.boolean() })),
    ways: z.array(z.strictObject({ way: ownWay, version: count, retired: z.boolean() })),
  }),
  mayDecide: z.boolean(),
  mayKeep: z.boolean(),
})
export type MethodReply = z.infer<typeof methodReply>
