import { route } from '../http/route'
import { isUnclaimed } from '../services/house'

export default route({ who: 'anyone' }, async () => ({ open: await isUnclaimed() }))
