import { formSubmit } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../http/route'
import { clientLinkHash, submitForm } from '../../services/visits/clientLink'

export default route(
  {
    quiet: 'the client has no account; what was sent stands with its moment',
    who: 'anyone',
    link: clientLinkHash,
    body: formSubmit,
    reply: ok,
  },
  async ({ event, body }) => {
    await submitForm(event, body.token, body.answers, body.medicines, body.home)
  },
)
