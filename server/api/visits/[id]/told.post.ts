import { toldPost } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { toldByTelephone } from '../../../services/after/checkIns'

export default route(
  { does: 'visit.told', body: toldPost, reply: ok },
  async ({ me, id, body }) => {
    await toldByTelephone(me, await visitFor(me, id, 'read'), body)
  },
)
