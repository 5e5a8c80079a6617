import { messagesReply } from '#contracts/replies/home'
import { route } from '../http/route'
import { allMessages } from '../services/post/outbox'

export default route({ reply: messagesReply }, ({ me }) => allMessages(me))
