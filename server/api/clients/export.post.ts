import { setResponseHeaders } from 'h3'
import { clientsExport } from '#contracts/clientImport'
import { file } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { askPassword } from '../../services/session/askPassword'
import { clientsAs } from '../../services/people/clientImport'

const FILES = {
  csv: { media: 'text/csv', name: 'clients.csv' },
  vcards: { media: 'text/vcard', name: 'clients.vcf' },
}
export default route(
  { does: 'client.export-all', body: clientsExport, reply: file('text/csv') },
  async ({ event, me, body }) => {
    ownerOnly(me)
    await askPassword(me, body.password, 'Nothing was exported.')
    const text = await clientsAs(body.as)
    const { media, name } = FILES[body.as]
    setResponseHeaders(event, {
      'content-type': `${media}; charset=utf-8`,
      'content-disposition': `attachment; filename="${name}"`,
      'x-content-type-options': 'nosniff',
    })
    return text
  },
)
