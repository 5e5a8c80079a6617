import { consentPost } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveConsent } from '../../../services/visits/consulting'

export default route({ does: 'visit.consent', body: consentPost }, async ({ me, id, body }) => {
  await saveConsent(me, await visitFor(me, id, 'write'), body)
  return { ok: true }
})
