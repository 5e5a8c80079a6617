import { cleaningPost } from '#contracts/tools'
import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { clean } from '../services/shelf/tools'

export default route({ does: 'tool.clean', body: cleaningPost, reply: ok }, ({ me, body }) =>
  clean(me, body),
)
