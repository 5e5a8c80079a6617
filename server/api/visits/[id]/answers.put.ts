import { answersPut } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveAnswers } from '../../../services/visits/consulting'

export default route(
  { does: 'visit.answers', body: answersPut, reply: ok },
  async ({ me, id, body }) => {
    await saveAnswers(me, await visitFor(me, id, 'write'), body)
  },
)
