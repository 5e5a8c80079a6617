import { recordPut } from '#contracts/visit'
import { versioned } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveText } from '../../../services/visits/records'

export default route(
  { does: 'visit.record', body: recordPut, reply: versioned },
  async ({ me, id, body }) => saveText(await visitFor(me, id, 'write'), body.text, body.version),
)
