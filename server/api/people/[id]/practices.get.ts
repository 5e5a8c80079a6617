import { clientPractices } from '#contracts/replies/branches'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { practicesOf } from '../../../services/people/shares'

export default route({ reply: clientPractices }, async ({ me, id }) => {
  const client = await clientFor(me, id, 'client.look')
  return practicesOf(client.id)
})
