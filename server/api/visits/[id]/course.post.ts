import { coursePost } from '#contracts/hours'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { bookCourse } from '../../../services/day/course'

export default route(
  { does: 'visit.course', body: coursePost, reply: ok },
  async ({ me, id, body }) => {
    await bookCourse(me, await visitFor(me, id, 'write'), body)
  },
)
