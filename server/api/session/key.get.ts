import { route } from '../../http/route'
import { keepKey } from '../../services/session/keepKey'

export default route({ who: 'bare' }, ({ me }) => ({ staffId: me.id, key: keepKey(me) }))
