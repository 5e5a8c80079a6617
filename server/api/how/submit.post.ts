import { ANSWER_LIMIT, howSubmit } from '#contracts/home'
import { howAnswered } from '#contracts/replies/home'
import { route } from '../../http/route'
import { homeLinkHash, submitHow } from '../../services/after/homeLinks'

export default route(
  {
    quiet: 'the client has no account; what was answered stands with its moment',
    who: 'anyone',
    link: homeLinkHash,
    body: howSubmit,
    bodyLimit: ANSWER_LIMIT,
    reply: howAnswered,
  },
  ({ event, body }) => submitHow(event, body.token, body.answers, body.jpeg),
)
