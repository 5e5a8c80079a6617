import { toolsPage } from '#contracts/replies/tools'
import { route } from '../http/route'
import { readTools } from '../services/shelf/tools'

export default route({ reply: toolsPage }, () => readTools())
