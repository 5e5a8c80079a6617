import { clientFile } from '#contracts/replies/clientFile'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { readFile } from '../../../services/people/clientFile'

export default route({ reply: clientFile }, async ({ me, id }) =>
  readFile(me, await clientFor(me, id, 'client.look')),
)
