import { createEventStream } from 'h3'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { watch } from '../../../services/live'
import { currentStaff } from '../../../services/session'

const BEAT_MS = 20_000

/**
 * Says "there is something new" and nothing else. Session and right are looked at again before
 * every word.
 */
export default route({}, async ({ event, me, id }) => {
  await visitFor(me, id, 'read')
  const stream = createEventStream(event)
  const speak = async (word: string) => {
    try {
      await visitFor(await currentStaff(event), id, 'read')
      await stream.push({ event: word, data: id })
    } catch {
      await stream.close()
    }
  }
  const stop = await watch(id, () => void speak('taps'))
  const beat = setInterval(() => void speak('beat'), BEAT_MS)
  // A first word at once: the tablet knows that it is heard, and looks for what it missed.
  void speak('here')
  stream.onClosed(() => {
    stop()
    clearInterval(beat)
  })
  return stream.send()
})
