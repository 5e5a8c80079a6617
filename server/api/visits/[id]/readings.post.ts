import { readingPost } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveReading } from '../../../services/visits/consulting'

export default route({ does: 'visit.reading', body: readingPost }, async ({ me, id, body }) => {
  await saveReading(me, await visitFor(me, id, 'write'), body)
  return { ok: true }
})
