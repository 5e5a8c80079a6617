import { passwordAgain } from '#contracts/people'
import { ok } from '#contracts/replies/common'
import { forbidden } from '../../../problem/problem'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { askPassword } from '../../../services/session/askPassword'
import { eraseClient } from '../../../services/people/people'

export default route(
  { does: 'client.erase', body: passwordAgain, reply: ok },
  async ({ me, id, body }) => {
    if (me.role !== 'owner') {
      // Whose file it was stands in the line of the refusal, where this person may know it.
      await clientFor(me, id, 'client.erase').catch(() => undefined)
      throw forbidden('Only the owner erases a client.')
    }
    const client = await clientFor(me, id, 'client.erase')
    await askPassword(me, body.password, 'Nothing was erased.')
    await eraseClient(client)
  },
)
