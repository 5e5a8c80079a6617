import { visitDocument } from '#contracts/exchange'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { exportVisit } from '../../../services/visits/exchange'

export default route({ reply: visitDocument }, async ({ me, id }) =>
  exportVisit(me, await visitFor(me, id, 'export', 'visit.export')),
)
