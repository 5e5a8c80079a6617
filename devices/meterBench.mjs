import { createServer } from 'node:net'

/**
 * A bench of simulated skin meters behind one local door. It speaks the line protocol of
 * `docs/formats/meter-line.md` as a real bench would,
 * and can be told to fail as real ones do.
 */
const KINDS = {
  hydration: { unit: 'au', around: 46, noise: 1.6, repeatability: 4 },
  sebum: { unit: 'µg/cm²', around: 92, noise: 5, repeatability: 12 },
  ph: { unit: 'pH', around: 5.2, noise: 0.06, repeatability: 0.2 },
  waterLoss: { unit: 'g/m²h', around: 12.4, noise: 0.6, repeatability: 1.5 },
  temperature: { unit: '°C', around: 32.6, noise: 0.1, repeatability: 0.3 },
  lightness: { unit: 'L*', around: 66, noise: 0.2, repeatability: 0.6 },
  redGreen: { unit: 'a*', around: 11.8, noise: 0.2, repeatability: 0.5 },
  blueYellow: { unit: 'b*', around: 15.1, noise: 0.2, repeatability: 0.6 },
}
export const FAULTS = [
  'unplugged',
  'late',
  'nonsense',
  'wrongUnit',
  'outOfRange',
  'garbage',
  'flat',
]

/** @param options.port 0 takes any free one */
export async function openMeterBench({ port = 0, lateMs = 60_000 } = {}) {
  const faults = new Map()
  const held = new Map()
  const sockets = new Set()
  let taken = 0
  const server = createServer((socket) => {
    sockets.add(socket)
    let kind
    let heard = ''
    const say = (line) => {
      if (!socket.destroyed) socket.write(`${JSON.stringify(line)}\n`)
    }
    socket.on('error', () => {})
    socket.on('close', () => {
      sockets.delete(socket)
      if (kind && held.get(kind) === socket) held.delete(kind)
    })
    socket.on('data', (bytes) => {
      heard += String(bytes)
      for (let end = heard.indexOf('\n'); end >= 0; end = heard.indexOf('\n')) {
        const line = heard.slice(0, end)
        heard = heard.slice(end + 1)
        answer(line)
      }
    })
    function answer(line) {
      let asked
      try {
        asked = JSON.parse(line)
      } catch {
        say({ error: 'syntax' })
        return
      }
      if (typeof asked.open === 'string') {
        const meter = KINDS[asked.open]
        if (!meter) {
          say({ error: 'unknown' })
          return
        }
        if (held.has(asked.open)) {
          say({ error: 'busy' })
          socket.end()
          return
        }
        kind = asked.open
        held.set(kind, socket)
        say({
          meter: kind,
          serial: `BENCH-${kind.slice(0, 3).toUpperCase()}-01`,
          unit: meter.unit,
          repeatability: meter.repeatability,
          battery: faults.get(kind) === 'flat' ? 2 : 78,
        })
      } else if (Number.isInteger(asked.read) && kind) read(asked.read, faults.get(kind))
      else say({ error: 'syntax' })
    }
    function read(n, fault) {
      const meter = KINDS[kind]
      const value = Math.round((meter.around + meter.noise * Math.sin(++taken * 2.4)) * 100) / 100
      if (fault === 'unplugged') {
        socket.destroy()
        return
      }
      if (fault === 'late') {
        setTimeout(() => say({ read: n, value, unit: meter.unit }), lateMs).unref()
        return
      }
      if (fault === 'garbage') {
        socket.write('\u0000\u0001 not a line\n')
        return
      }
      if (fault === 'flat') {
        say({ read: n, error: 'battery' })
        return
      }
      say({
        read: n,
        value: fault === 'nonsense' ? 'hot' : fault === 'outOfRange' ? 9999 : value,
        unit: fault === 'wrongUnit' ? 'grain' : meter.unit,
      })
    }
  })
  const own = await new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve(server.address().port))
  })
  return {
    port: own,
    fail: (kind, fault) => {
      if (fault) faults.set(kind, fault)
      else faults.delete(kind)
    },
    close: () =>
      new Promise((r) => {
        for (const s of sockets) s.destroy()
        server.close(() => r())
      }),
  }
}
