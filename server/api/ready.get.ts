import { pulse } from '#db/schema'
import { readyReply } from '#contracts/replies/practice'
import { route } from '../http/route'
import { database } from '../services/database'

/** Ready is who can write: a full disk can be read from for a long time. */
export default route({ who: 'anyone', reply: readyReply }, async () => {
  await database().update(pulse).set({ at: new Date() })
  return { ready: true as const }
})
