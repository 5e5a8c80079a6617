import { createEventStream } from 'h3'
import { streamQuery } from '#contracts/visit'
import { file } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { readTaps } from '../../../services/visits/events'
import { othersAt, watch } from '../../../services/live'
import type { Heard } from '../../../services/visits/heard'
import { currentStaff, sessionId } from '../../../services/session/session'

const BEAT_MS = 20_000

/**
 * Says what is new: each tap as itself, once, and which other tablets are in the room. Session and
 * right are looked at again before every word.
 */
export default route(
  { query: streamQuery, reply: file('text/event-stream') },
  async ({ event, me, id, query }) => {
    const visit = await visitFor(me, id, 'read')
    const stream = createEventStream(event)
    const said = new Set((await readTaps(visit)).map((tap) => tap.id))
    const speak = async (word: string, data: () => Promise<unknown> | unknown = () => id) => {
      try {
        await visitFor(await currentStaff(event), id, 'read')
        const what = await data()
        if (what !== undefined) await stream.push({ event: word, data: JSON.stringify(what) })
      } catch {
        await stream.close()
      }
    }
    const sayNew = async (heard: Heard) => {
      const events = heard.events.filter((tap) => !said.has(tap.id))
      for (const tap of events) said.add(tap.id)
      await stream.push({ event: 'taps', data: JSON.stringify({ ...heard, events }) })
    }
    const tablet = query.tablet === '' ? 'a tablet' : query.tablet
    const end = () => void stream.close()
    const watcher = {
      name: `${tablet}, ${me.name}`,
      session: await sessionId(event),
      taps: (heard: Heard) => void sayNew(heard).catch(end),
      others: () => void speak('others', () => othersAt(id, watcher)),
      end,
    }
    const stop = await watch(id, watcher)
    const beat = setInterval(() => void speak('beat'), BEAT_MS)
    // A first word at once: the tablet knows that it is heard, and looks for what it missed.
    void speak('here').then(() => watcher.others())
    stream.onClosed(() => {
      stop()
      clearInterval(beat)
    })
    return stream.send()
  },
)
