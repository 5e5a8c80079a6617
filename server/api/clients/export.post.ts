import { setResponseHeaders } from 'h3'
import { passwordAgain } from '#contracts/people'
import { file } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { askPassword } from '../../services/session/askPassword'
import { clientsAsCsv } from '../../services/people/clientImport'

export default route(
  { does: 'client.export-all', body: passwordAgain, reply: file('text/csv') },
  async ({ event, me, body }) => {
    ownerOnly(me)
    await askPassword(me, body.password, 'Nothing left the house.')
    const text = await clientsAsCsv()
    setResponseHeaders(event, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="clients.csv"',
      'x-content-type-options': 'nosniff',
    })
    return text
  },
)
