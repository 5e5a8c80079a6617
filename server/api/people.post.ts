import { clientCreate } from '#contracts/people'
import { made } from '#contracts/replies/common'
import { route } from '../http/route'
import { addClient } from '../services/people/people'

export default route(
  { desk: true, does: 'client.add', body: clientCreate, reply: made },
  async ({ me, body }) => {
    const { id, ...fields } = body
    await addClient(me, id, fields)
    return { id }
  },
)
