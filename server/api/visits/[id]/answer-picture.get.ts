import { setResponseHeader } from 'h3'
import { photographQuery } from '#contracts/care'
import { file } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { pictureOf } from '../../../services/after/checkIns'

export default route(
  { query: photographQuery, reply: file('image/jpeg') },
  async ({ event, me, id, query }) => {
    const visit = await visitFor(me, id, 'read', 'visit.picture')
    const bytes = await pictureOf(visit, query.photograph)
    setResponseHeader(event, 'content-type', 'image/jpeg')
    return bytes
  },
)
