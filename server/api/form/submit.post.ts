import { formSubmit } from '#contracts/visit'
import type { Answers } from '#core/screening/asking/answers'
import { route } from '../../http/route'
import { submitForm } from '../../services/visits/clientLink'

export default route(
  {
    quiet: 'the client has no account; what was sent stands with its moment',
    who: 'anyone',
    body: formSubmit,
  },
  async ({ event, body }) => {
    await submitForm(event, body.token, body.answers as Answers, body.medicines)
    return { ok: true }
  },
)
