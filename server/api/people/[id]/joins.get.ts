import { filesOfOne as reply } from '#contracts/replies/people'
import { route } from '../../../http/route'
import { fileOfOwner, filesOfOne } from '../../../services/people/joins'

export default route({ reply }, async ({ me, id }) =>
  filesOfOne(await fileOfOwner(me, id, 'client.look')),
)
