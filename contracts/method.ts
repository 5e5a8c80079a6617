import { z } from 'zod'
import { campOf, POINTS, type PointId } from '#core/catalogue/schools/camps'
import { TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { canPin } from '#core/catalogue/techniques/traits'
import { id, line, said } from './common'
import { ownWay } from './ownWays'

const has = (point: PointId, camp: string): boolean => {
  try {
    campOf(point, camp)
    return true
  } catch {
    return false
  }
}
const technique = z.enum(TECHNIQUE_IDS)
const camps = z.strictObject(
  Object.fromEntries(
    POINTS.map((point) => [
      point.id,
      z
        .string()
        .refine(
          (camp) => has(point.id, camp),
          `one of ${point.camps.map((camp) => camp.id).join(', ')}`,
        )
        .optional(),
    ]),
  ) as Record<PointId, z.ZodOptional<z.ZodString>>,
)
export const housePolicy = z.strictObject({
  camps,
  without: z
    .array(technique.refine(canPin, 'a step of its own'))
    .max(TECHNIQUE_IDS.length)
    .refine((techniques) => new Set(techniques).size === techniques.length, 'each once'),
})
export const policyPut = z.strictObject({ id, policy: housePolicy, reason: said(300) })

const minutes = z
  .number()
  .min(0.5, 'at least half a minute')
  .max(90, 'at most 90 minutes')
  .refine((minutes) => Number.isInteger(minutes * 2), 'whole half-minutes')
export const protocolSteps = z
  .array(
    z.strictObject({
      technique: technique.refine(canPin, 'a step of its own'),
      own: ownWay.optional(),
      minutes,
    }),
  )
  .min(1, 'at least one step')
  .max(40, 'at most 40 steps')
  .refine(
    (steps) => new Set(steps.map((item) => item.technique)).size === steps.length,
    'each once',
  )
export const protocolPost = z.strictObject({
  id,
  name: said(80),
  /** The full protocol that this is the short one of. */
  expressOf: id.nullable().default(null),
  note: line(300),
  steps: protocolSteps,
})
export const protocolVersionPost = z.strictObject({
  version: z.int().min(2).max(999),
  note: line(300),
  steps: protocolSteps,
})
export const protocolRef = z.strictObject({ id, version: z.int().min(1).max(999) })
