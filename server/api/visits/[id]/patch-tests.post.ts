import { patchTestPost } from '#contracts/care'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { placePatch } from '../../../services/visits/care'

export default route({ does: 'patch.place', body: patchTestPost }, async ({ me, id, body }) => {
  await placePatch(me, await visitFor(me, id, 'write'), body)
  return { ok: true }
})
