import { nothing } from '#contracts/visit'
import { forbidden } from '../../../problem/problem'
import { route } from '../../../http/route'
import { clientFor, writeAudit } from '../../../services/access'
import { eraseClient } from '../../../services/people'

export default route({ body: nothing }, async ({ me, id }) => {
  if (me.role !== 'owner') {
    await writeAudit(me, 'client.erase', false, id)
    throw forbidden('Only the owner erases a client.')
  }
  await eraseClient(await clientFor(me, id, 'client.erase'))
  return { ok: true }
})
