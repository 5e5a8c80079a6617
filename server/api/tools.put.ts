import { toolPut } from '#contracts/tools'
import { ok } from '#contracts/replies/common'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { keepTool } from '../services/shelf/tools'

export default route({ does: 'tool.change', body: toolPut, reply: ok }, async ({ me, body }) => {
  keepsShelf(me)
  await keepTool(body)
})
