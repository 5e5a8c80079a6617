import { consentPost } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveConsent } from '../../../services/visits/consulting'

export default route(
  { does: 'visit.consent', body: consentPost, reply: ok },
  async ({ me, id, body }) => {
    await saveConsent(me, await visitFor(me, id, 'write'), body)
  },
)
