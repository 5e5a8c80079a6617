import { nothing } from '#contracts/visit'
import { route } from '../../http/route'
import { lock } from '../../services/session'

export default route({ body: nothing }, async ({ event }) => {
  await lock(event)
  return { locked: true }
})
