import { nothing } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { startTreatment } from '../../../services/visits/starting'

export default route({ does: 'visit.start', body: nothing }, async ({ me, id }) => {
  await startTreatment(me, await visitFor(me, id, 'write'))
  return { ok: true }
})
