import { IMPORT_BYTES, importPost } from '#contracts/clientImport'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { takeIn } from '../../services/clientImport'

export default route({ body: importPost, bodyLimit: IMPORT_BYTES }, async ({ me, body }) => {
  ownerOnly(me)
  const clients = await takeIn(me, body)
  await writeAudit(me, 'client.import', true, null)
  return { clients }
})
