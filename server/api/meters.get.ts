import { metersReply } from '#contracts/replies/visit'
import { route } from '../http/route'
import { listMeters } from '../services/visits/meters'

export default route({ reply: metersReply }, () => ({ meters: listMeters() }))
