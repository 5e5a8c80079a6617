import { meterPost } from '#contracts/visit'
import { meterTaken } from '#contracts/replies/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { takeMeter } from '../../../services/visits/meters'

export default route(
  { does: 'visit.meter', body: meterPost, reply: meterTaken },
  async ({ me, id, body }) => takeMeter(me, await visitFor(me, id, 'write'), body),
)
