import { preferencesPut } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { savePreferences } from '../../../services/visits/care'

export default route(
  { does: 'visit.preferences', body: preferencesPut, reply: ok },
  async ({ me, id, body }) => {
    await savePreferences(await visitFor(me, id, 'write'), body)
  },
)
