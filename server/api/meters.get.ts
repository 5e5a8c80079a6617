import { route } from '../http/route'
import { listMeters } from '../services/visits/meters'

export default route({}, () => ({ meters: listMeters() }))
