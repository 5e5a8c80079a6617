import { devicePost } from '#contracts/visit'
import { deviceSays } from '#contracts/replies/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { askDevice } from '../../../services/devices/deviceLine'

export default route(
  { quiet: 'what a device is told is a tap of its own', body: devicePost, reply: deviceSays },
  async ({ me, id, body }) => askDevice(me, await visitFor(me, id, 'write'), body),
)
