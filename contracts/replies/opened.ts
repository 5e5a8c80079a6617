import { z } from 'zod'
import { OPENED_KINDS } from '#core/catalogue/rules/opened'
import { OPENED_ENDS } from '../opened'
import { at, id, named, text } from './common'

const opened = z.strictObject({
  id,
  what: z.enum(OPENED_KINDS),
  name: text,
  at,
  until: at,
  by: text,
  client: named.nullable(),
  ended: z.strictObject({ at, how: z.enum(OPENED_ENDS), by: text }).nullable(),
})
/** What is open now, what ends first before the rest; then what was used up or thrown out lately. */
export const openedPage = z.strictObject({
  now: at,
  zone: text,
  open: z.array(opened),
  ended: z.array(opened),
})
export type OpenedPage = z.infer<typeof openedPage>
