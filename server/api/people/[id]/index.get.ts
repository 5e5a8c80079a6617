import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { readFile } from '../../../services/people'

export default route({}, async ({ me, id }) => readFile(await clientFor(me, id, 'client.look')))
