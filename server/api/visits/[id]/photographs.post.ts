import { PHOTOGRAPH_LIMIT, photographPost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { savePhotograph } from '../../../services/visits/photographs'

export default route(
  { does: 'visit.photograph', body: photographPost, bodyLimit: PHOTOGRAPH_LIMIT, reply: ok },
  async ({ me, id, body }) => {
    await savePhotograph(me, await visitFor(me, id, 'write'), body)
  },
)
