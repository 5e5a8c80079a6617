import { z } from 'zod'
import { id as idSchema } from '#contracts/common'
import { IMPORT_BYTES } from '#contracts/exchange'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { importVisit } from '../../../services/visits/exchange'

/** A file is sent as text inside a text: its quotes and line ends are written longer. */
const BODY_BYTES = IMPORT_BYTES * 1.5

const body = z.strictObject({
  id: idSchema,
  text: z.string().max(IMPORT_BYTES, 'at most 1 MB'),
  /** Name or birthday differ, and somebody has said that it is the same person. */
  confirmed: z.boolean().default(false),
})
export default route(
  { does: 'client.import', body, bodyLimit: BODY_BYTES },
  async ({ me, id, body: other }) =>
    importVisit(me, await clientFor(me, id, 'client.import'), other),
)
