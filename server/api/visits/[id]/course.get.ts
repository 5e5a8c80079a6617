import { courseQuery } from '#contracts/hours'
import { places } from '#contracts/replies/house'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { coursePlaces } from '../../../services/day/course'

export default route({ query: courseQuery, reply: places }, async ({ me, id, query }) =>
  coursePlaces(await visitFor(me, id, 'write'), query),
)
