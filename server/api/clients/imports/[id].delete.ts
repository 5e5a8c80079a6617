import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { writeAudit } from '../../../services/access'
import { undoImport } from '../../../services/clientImport'

export default route({}, async ({ me, id }) => {
  ownerOnly(me)
  const clients = await undoImport(id)
  await writeAudit(me, 'client.undo-import', true, null)
  return { clients }
})
