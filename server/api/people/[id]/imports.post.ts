import { IMPORT_BYTES, visitFilePost } from '#contracts/exchange'
import { takenIn } from '#contracts/replies/clientFile'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { importVisit } from '../../../services/visits/exchange'

/** A file is sent as text inside a text: its quotes and line ends are written longer. */
const BODY_BYTES = IMPORT_BYTES * 1.5

export default route(
  { does: 'client.import', body: visitFilePost, bodyLimit: BODY_BYTES, reply: takenIn },
  async ({ me, id, body }) => importVisit(me, await clientFor(me, id, 'client.import'), body),
)
