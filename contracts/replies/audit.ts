import { z } from 'zod'
import { at, maybe, named, text } from './common'

const auditLine = z.strictObject({
  id: z.int(),
  at,
  action: text,
  allowed: z.boolean(),
  staff: maybe,
  client: maybe,
})
export type AuditLine = z.infer<typeof auditLine>
export const auditPage = z.strictObject({
  lines: z.array(auditLine),
  timeZone: text,
  people: z.array(named),
  /** Ask with it for the lines before these; null where there are none. */
  next: z.int().nullable(),
})
export type AuditPage = z.infer<typeof auditPage>
