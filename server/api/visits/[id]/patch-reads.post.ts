import { patchReadPost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { readPatch } from '../../../services/visits/care'

export default route(
  { does: 'patch.read', body: patchReadPost, reply: ok },
  async ({ me, id, body }) => {
    await readPatch(me, await visitFor(me, id, 'write'), body)
  },
)
