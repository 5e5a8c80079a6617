import { clientsTaken } from '#contracts/replies/clientFile'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { undoImport } from '../../../services/people/clientImport'

export default route({ does: 'client.undo-import', reply: clientsTaken }, async ({ me, id }) => {
  ownerOnly(me)
  const clients = await undoImport(id)
  return { clients }
})
