import { homeAskedPost } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveAsked } from '../../../services/after/home'

export default route(
  { does: 'visit.home-asked', body: homeAskedPost, reply: ok },
  async ({ me, id, body }) => {
    await saveAsked(me, await visitFor(me, id, 'write'), body)
  },
)
