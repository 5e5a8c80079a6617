import { file } from '#contracts/replies/common'
import document from '../../docs/formats/openapi.json'
import { route } from '../http/route'

/** What this house's pages and server say to each other, as it is published in the docs. */
export default route(
  { who: 'anyone', reply: file('application/vnd.oai.openapi+json') },
  () => document,
)
