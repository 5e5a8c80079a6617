import { joinPost } from '#contracts/people'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { fileOfOwner, joinFiles } from '../../../services/people/joins'

export default route(
  { does: 'client.join', body: joinPost, reply: ok },
  async ({ me, id, body }) => {
    await joinFiles(me, await fileOfOwner(me, id, 'client.join'), body)
  },
)
