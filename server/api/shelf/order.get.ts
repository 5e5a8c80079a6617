import { orderPage } from '#contracts/replies/shelf'
import { route } from '../../http/route'
import { readOrder } from '../../services/shelf/order'

export default route({ reply: orderPage }, () => readOrder())
