import { partPost } from '#contracts/people'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { fileOfOwner, partFiles } from '../../../services/people/joins'

export default route(
  { does: 'client.part', body: partPost, reply: ok },
  async ({ me, id, body }) => {
    await partFiles(await fileOfOwner(me, id, 'client.part'), body.joinId)
  },
)
