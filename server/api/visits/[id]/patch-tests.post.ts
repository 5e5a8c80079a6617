import { patchTestPost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { placePatch } from '../../../services/visits/care'

export default route(
  { does: 'patch.place', body: patchTestPost, reply: ok },
  async ({ me, id, body }) => {
    await placePatch(me, await visitFor(me, id, 'write'), body)
  },
)
