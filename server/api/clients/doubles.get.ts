import { likelyPairs as reply } from '#contracts/replies/people'
import { route } from '../../http/route'
import { forbidden } from '../../problem/problem'
import { auditLook, LOOK_MS } from '../../services/access'
import { likelyPairs } from '../../services/people/joins'

export default route({ reply }, async ({ me }) => {
  if (me.role !== 'owner') throw forbidden('Only the owner joins files.')
  await auditLook(me, 'people.list', LOOK_MS.list)
  return likelyPairs()
})
