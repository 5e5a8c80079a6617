import { nothing } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { startTreatment } from '../../../services/visits/starting'

export default route({ does: 'visit.start', body: nothing, reply: ok }, async ({ me, id }) => {
  await startTreatment(me, await visitFor(me, id, 'write'))
})
