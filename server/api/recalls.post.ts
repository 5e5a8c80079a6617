import { recallPost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { recall } from '../services/recalls'

export default route({ body: recallPost }, async ({ me, body }) => {
  keepsShelf(me)
  const found = await recall(me, body)
  await writeAudit(me, 'lot.recall', true, null)
  return found
})
