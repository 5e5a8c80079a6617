import { passwordAgain } from '#contracts/people'
import { forbidden } from '../../../problem/problem'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { askPassword } from '../../../services/askPassword'
import { eraseClient } from '../../../services/people'

export default route({ does: 'client.erase', body: passwordAgain }, async ({ me, id, body }) => {
  const client = await clientFor(me, id, 'client.erase')
  if (me.role !== 'owner') throw forbidden('Only the owner erases a client.')
  await askPassword(me, body.password, 'Nothing was erased.')
  await eraseClient(client)
  return { ok: true }
})
