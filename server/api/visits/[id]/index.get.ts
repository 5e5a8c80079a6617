import { visitBundle } from '#contracts/replies/bundle'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { readBundle } from '../../../services/visits/bundle'

export default route({ reply: visitBundle }, async ({ me, id }) =>
  readBundle(me, await visitFor(me, id, 'read', 'visit.look')),
)
