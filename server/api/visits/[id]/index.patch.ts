import { visitPatch } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { changeVisit } from '../../../services/booking'

export default route({ body: visitPatch }, async ({ me, id, body }) =>
  changeVisit(me, await visitFor(me, id, 'write'), body),
)
