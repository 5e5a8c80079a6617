import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { readTaps } from '../../../services/events'

export default route({}, async ({ me, id }) => ({
  events: await readTaps(await visitFor(me, id, 'read')),
  now: Date.now(),
}))
