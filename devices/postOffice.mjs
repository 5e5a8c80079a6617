import { createServer } from 'node:net'

/**
 * A simulated post office for mail and text messages behind one local door: it speaks the line
 * protocol of `docs/formats/post-line.md`, delivers nothing anywhere, shows what it would have, and
 * fails when told to.
 */
export const POST_FAULTS = ['refuses', 'silent', 'garbage', 'losesAnswer', 'hangsUp']

/** @param options.port 0 takes any free one */
export async function openPostOffice({ port = 0 } = {}) {
  const state = { taken: new Map(), fault: '', asked: 0, sockets: new Set() }
  const hear = (socket, line) => {
    const say = (answer) => socket.write(`${JSON.stringify(answer)}\n`)
    let asked
    try {
      asked = JSON.parse(line)
    } catch {
      say({ error: 'syntax' })
      return
    }
    const { send: id, channel, to, words } = asked
    const whole = [id, to, words].every((text) => typeof text === 'string' && text !== '')
    if (!whole || !['mail', 'text'].includes(channel)) {
      say({ error: 'syntax' })
      return
    }
    state.asked += 1
    if (state.fault === 'refuses') say({ error: 'full' })
    else if (state.fault === 'garbage') socket.write('not a line\n')
    else if (state.fault === 'hangsUp') socket.destroy()
    else if (state.fault !== 'silent') {
      // What it has it does not take a second time.
      if (!state.taken.has(id)) state.taken.set(id, { id, channel, to, words })
      if (state.fault === 'losesAnswer') socket.destroy()
      else say({ took: id })
    }
  }
  const server = createServer((socket) => {
    let heard = ''
    state.sockets.add(socket)
    socket.on('error', () => {})
    socket.on('close', () => state.sockets.delete(socket))
    socket.on('data', (bytes) => {
      heard += String(bytes)
      for (let end = heard.indexOf('\n'); end >= 0; end = heard.indexOf('\n')) {
        hear(socket, heard.slice(0, end))
        heard = heard.slice(end + 1)
      }
    })
  })
  const own = await new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve(server.address().port))
  })
  return {
    port: own,
    /** What it would have sent, in the order it came. */
    sent: () => [...state.taken.values()],
    asked: () => state.asked,
    fail: (fault) => {
      state.fault = fault
    },
    close: () =>
      new Promise((resolve) => {
        for (const socket of state.sockets) socket.destroy()
        server.close(() => resolve())
      }),
  }
}
