import { IMPORT_BYTES, importPost } from '#contracts/clientImport'
import { clientsTaken } from '#contracts/replies/clientFile'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { takeIn } from '../../services/people/clientImport'

export default route(
  { does: 'client.import', body: importPost, bodyLimit: IMPORT_BYTES, reply: clientsTaken },
  async ({ me, body }) => {
    ownerOnly(me)
    const clients = await takeIn(me, body)
    return { clients }
  },
)
