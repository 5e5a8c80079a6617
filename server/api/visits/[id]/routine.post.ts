import { routinePost } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveRoutine } from '../../../services/after/home'

export default route(
  { does: 'visit.routine', body: routinePost, reply: ok },
  async ({ me, id, body }) => {
    await saveRoutine(me, await visitFor(me, id, 'write'), body)
  },
)
