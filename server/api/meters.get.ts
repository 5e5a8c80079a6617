import { route } from '../http/route'
import { listMeters } from '../services/meters'

export default route({}, () => ({ meters: listMeters() }))
