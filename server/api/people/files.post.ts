import { CLIENT_BYTES, clientFilePost } from '#contracts/exchange'
import { made } from '#contracts/replies/common'
import { notTrainee } from '../../http/owner'
import { route } from '../../http/route'
import { importClient } from '../../services/people/clientFileImport'

/** Quotes and line ends of a file are written longer inside a text. */
const BODY_BYTES = CLIENT_BYTES * 1.5

export default route(
  { does: 'client.import', body: clientFilePost, bodyLimit: BODY_BYTES, reply: made },
  async ({ me, body }) => {
    notTrainee(me, 'Trainees cannot import client files.')
    return importClient(me, body.id, body.text)
  },
)
