import { aliveReply } from '#contracts/replies/practice'
import { route } from '../http/route'

export default route({ who: 'anyone', reply: aliveReply }, () => ({ alive: true as const }))
