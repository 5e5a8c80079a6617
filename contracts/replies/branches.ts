import { z } from 'zod'
import { at, id, isoDay, text } from './common'

/** Where a client may be seen, of the practices that share one house. */
export const clientPractices = z.strictObject({
  /** The practice whose client it is; null where it is this one. */
  home: text.nullable(),
  others: z.array(
    z.strictObject({
      id,
      name: text,
      /** Since when they may be seen there; null where they may not. */
      since: at.nullable(),
    }),
  ),
  /** When they were treated elsewhere: it counts here. */
  treated: z.array(z.strictObject({ practice: text, day: isoDay })),
})
export type ClientPractices = z.infer<typeof clientPractices>
