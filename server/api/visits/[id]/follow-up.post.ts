import { eq } from 'drizzle-orm'
import { nothing } from '#contracts/visit'
import { followUps } from '#db/schema'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { database } from '../../../services/database'

export default route({ does: 'visit.follow-up', body: nothing, reply: ok }, async ({ me, id }) => {
  const visit = await visitFor(me, id, 'write', 'visit.follow-up')
  await database()
    .update(followUps)
    .set({ doneAt: new Date() })
    .where(eq(followUps.visitId, visit.id))
})
