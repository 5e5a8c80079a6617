import { laidPut } from '#contracts/tools'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { lay } from '../../../services/visits/laying'

export default route(
  { quiet: 'a tick on the tray is kept with who made it', body: laidPut, reply: ok },
  async ({ me, id, body }) => {
    await lay(me, await visitFor(me, id, 'write'), body)
  },
)
