import { filesRead as reply } from '#contracts/replies/visitFile'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { filesOf } from '../../../services/visits/fileRead'

export default route({ reply }, async ({ me, id }) =>
  filesOf(me, await clientFor(me, id, 'client.look')),
)
