import { passwordAgain } from '#contracts/people'
import { forbidden } from '../../../problem/problem'
import { route } from '../../../http/route'
import { clientFor, writeAudit } from '../../../services/access'
import { askPassword } from '../../../services/askPassword'
import { eraseClient } from '../../../services/people'

export default route({ body: passwordAgain }, async ({ me, id, body }) => {
  if (me.role !== 'owner') {
    await writeAudit(me, 'client.erase', false, id)
    throw forbidden('Only the owner erases a client.')
  }
  await askPassword(me, body.password, 'Nothing was erased.')
  await eraseClient(await clientFor(me, id, 'client.erase'))
  return { ok: true }
})
