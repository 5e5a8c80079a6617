import { z } from 'zod'

/** Whether a client may be seen at another practice of the house. */
export const clientPracticePut = z.discriminatedUnion('allowed', [
  z.strictObject({
    branch: z.uuid(),
    allowed: z.literal(true),
    /** The client has agreed to it. */
    agreed: z.literal(true, 'the client has to agree'),
  }),
  z.strictObject({ branch: z.uuid(), allowed: z.literal(false) }),
])
/** The key of a first hour, as its link carries it. */
export const setupOpen = z.strictObject({ key: z.string().max(100) })
