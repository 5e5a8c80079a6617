import { clientDocument } from '#contracts/exchange'
import { forbidden } from '../../../problem/problem'
import { route } from '../../../http/route'
import { clientFor, writeAudit } from '../../../services/access'
import { exportClient } from '../../../services/people/clientExport'

export default route({ reply: clientDocument }, async ({ me, id }) => {
  if (me.role === 'trainee') {
    await writeAudit(me, 'client.export', false, id)
    throw forbidden('Trainees cannot export client files.')
  }
  return exportClient(await clientFor(me, id, 'client.export'))
})
