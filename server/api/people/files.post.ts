import { z } from 'zod'
import { id } from '#contracts/common'
import { CLIENT_BYTES } from '#contracts/exchange'
import { notTrainee } from '../../http/owner'
import { route } from '../../http/route'
import { importClient } from '../../services/people/clientFileImport'

const body = z.strictObject({ id, text: z.string().max(CLIENT_BYTES, 'at most 20 MB') })
/** Quotes and line ends of a file are written longer inside a text. */
const BODY_BYTES = CLIENT_BYTES * 1.5

export default route(
  { does: 'client.import', body, bodyLimit: BODY_BYTES },
  async ({ me, body: file }) => {
    notTrainee(me, 'A trainee takes no files in.')
    return importClient(me, file.id, file.text)
  },
)
