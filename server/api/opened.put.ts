import { openedPut } from '#contracts/opened'
import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { endOpened } from '../services/shelf/opened'

export default route({ does: 'opened.end', body: openedPut, reply: ok }, ({ me, body }) =>
  endOpened(me, body),
)
