import { referralPost } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { writeReferral } from '../../../services/after/referrals'

export default route(
  { does: 'visit.referral', body: referralPost, reply: ok },
  async ({ me, id, body }) => {
    await writeReferral(me, await visitFor(me, id, 'write'), body)
  },
)
