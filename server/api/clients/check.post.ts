import { IMPORT_BYTES, importCheck } from '#contracts/clientImport'
import { doubles } from '#contracts/replies/clientFile'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { auditLook, LOOK_MS } from '../../services/access'
import { findDoubles } from '../../services/people/clientImport'

export default route(
  {
    quiet: 'reads only, and leaves the line of a search',
    body: importCheck,
    bodyLimit: IMPORT_BYTES,
    reply: doubles,
  },
  async ({ me, body }) => {
    ownerOnly(me)
    await auditLook(me, 'people.search', LOOK_MS.search)
    return findDoubles(body)
  },
)
