import { clientCreate } from '#contracts/people'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { addClient } from '../services/people'

export default route({ body: clientCreate }, async ({ me, body }) => {
  const { id, ...fields } = body
  await addClient(me, id, fields)
  await writeAudit(me, 'client.add', true, id)
  return { id }
})
