import { referralAnswerPost } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { fileAnswer } from '../../../services/after/referrals'

export default route(
  { does: 'visit.referral-answer', body: referralAnswerPost, reply: ok },
  async ({ me, id, body }) => {
    await fileAnswer(me, await visitFor(me, id, 'read'), body)
  },
)
