import { openedPost } from '#contracts/opened'
import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { open } from '../services/shelf/opened'

export default route({ does: 'opened.add', body: openedPost, reply: ok }, ({ me, body }) =>
  open(me, body),
)
