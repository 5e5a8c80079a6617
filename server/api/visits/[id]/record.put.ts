import { recordPut } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveText } from '../../../services/visits/records'

export default route({ does: 'visit.record', body: recordPut }, async ({ me, id, body }) =>
  saveText(await visitFor(me, id, 'write'), body.text, body.version),
)
