import { openingsPut } from '#contracts/hours'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { keepOpenings } from '../services/hours'

export default route({ body: openingsPut }, async ({ me, body }) => {
  ownerOnly(me)
  await keepOpenings(body)
  await writeAudit(me, 'house.hours', true, null)
  return { ok: true }
})
