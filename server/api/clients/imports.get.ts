import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { listImports } from '../../services/people/clientImport'

export default route({}, ({ me }) => {
  ownerOnly(me)
  return listImports()
})
