import { keyReply } from '#contracts/replies/people'
import { route } from '../../http/route'
import { keepKey } from '../../services/session/keepKey'

export default route({ who: 'bare', reply: keyReply }, ({ me }) => ({
  staffId: me.id,
  key: keepKey(me),
}))
