import { clientPracticePut } from '#contracts/branches'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { allowAt, endAt } from '../../../services/people/shares'

export default route(
  { does: 'client.share', body: clientPracticePut, reply: ok },
  async ({ me, id, body }) => {
    ownerOnly(me)
    const client = await clientFor(me, id, 'client.share')
    await (body.allowed ? allowAt(me, client, body.branch) : endAt(client, body.branch))
  },
)
