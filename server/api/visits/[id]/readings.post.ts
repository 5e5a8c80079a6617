import { readingPost } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveReading } from '../../../services/visits/consulting'

export default route(
  { does: 'visit.reading', body: readingPost, reply: ok },
  async ({ me, id, body }) => {
    await saveReading(me, await visitFor(me, id, 'write'), body)
  },
)
