import { nothing } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'

export default route({ does: 'visit.print', body: nothing, reply: ok }, async ({ me, id }) => {
  await visitFor(me, id, 'read', 'visit.print')
})
