import { z } from 'zod'
import { day, id } from './common'

/** Lines of one page. */
export const AUDIT_PAGE = 60
export const auditQuery = z.strictObject({
  /** Lines before this one, by number: the next page. */
  before: z.coerce.number().int().min(1).max(2_000_000_000).optional(),
  staffId: id.optional(),
  clientId: id.optional(),
  /** The beginning of what was done: `session`, `client`, `visit.export`. */
  what: z
    .string()
    .regex(/^[a-z.-]{0,40}$/, 'small letters')
    .optional(),
  /** Up to the end of this day of the house. */
  until: day.optional(),
  refused: z.literal('yes').optional(),
})
export type AuditQuery = z.infer<typeof auditQuery>
