import { importLines } from '#contracts/replies/clientFile'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { listImports } from '../../services/people/clientImport'

export default route({ reply: importLines }, ({ me }) => {
  ownerOnly(me)
  return listImports()
})
