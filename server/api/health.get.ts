import { route } from '../http/route'

export default route({ who: 'anyone' }, () => ({ alive: true }))
