import { clientPatch } from '#contracts/people'
import { versioned } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { editClient } from '../../../services/people/people'

export default route(
  { does: 'client.edit', body: clientPatch, reply: versioned },
  async ({ me, id, body }) => {
    const { version, ...fields } = body
    return { version: await editClient(await clientFor(me, id, 'client.edit'), version, fields) }
  },
)
