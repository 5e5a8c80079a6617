import { CLIENT_BYTES, fileHandedIn } from '#contracts/exchange'
import { handedIn as reply } from '#contracts/replies/visitFile'
import { route } from '../../../http/route'
import { thePractice } from '../../../services/practice'
import { readFile } from '../../../services/visits/fileRead'

/** Quotes and line ends of a file are written longer inside a text. */
const BODY_BYTES = CLIENT_BYTES * 1.5

export default route(
  {
    quiet: 'reads a file that is handed in; nothing of it is kept',
    body: fileHandedIn,
    bodyLimit: BODY_BYTES,
    reply,
  },
  async ({ me, body }) => ({
    timeZone: (await thePractice()).timeZone,
    file: await readFile(me, body.text),
  }),
)
