import { auditQuery } from '#contracts/audit'
import { auditPage } from '#contracts/replies/audit'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { readAudit } from '../services/audit'

export default route({ query: auditQuery, reply: auditPage }, ({ me, query }) => {
  ownerOnly(me)
  return readAudit(query)
})
