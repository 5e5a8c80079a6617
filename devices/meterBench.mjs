import { createServer } from 'node:net'
import { DEVICES, newDevice } from './roomDevices.mjs'

/**
 * A bench of simulated skin meters, and of the room's devices beside them, behind one local door. It
 * speaks the line protocol of `docs/formats/meter-line.md` as a real bench would, and can be told to
 * fail as real ones do.
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

/** One instrument's line: what it was opened as, and how it answers. */
class MeterLine {
  constructor(socket, bench) {
    this.socket = socket
    this.bench = bench
    this.kind = undefined
    this.heard = ''
    bench.sockets.add(socket)
    socket.on('error', () => {})
    socket.on('close', () => this.close())
    socket.on('data', (bytes) => this.hear(String(bytes)))
  }

  say(line) {
    if (!this.socket.destroyed) this.socket.write(`${JSON.stringify(line)}\n`)
  }

  close() {
    this.bench.sockets.delete(this.socket)
    if (this.kind && this.bench.held.get(this.kind) === this.socket)
      this.bench.held.delete(this.kind)
  }

  hear(text) {
    this.heard += text
    for (let end = this.heard.indexOf('\n'); end >= 0; end = this.heard.indexOf('\n')) {
      const line = this.heard.slice(0, end)
      this.heard = this.heard.slice(end + 1)
      this.answer(line)
    }
  }

  answer(line) {
    let asked
    try {
      asked = JSON.parse(line)
    } catch {
      this.say({ error: 'syntax' })
      return
    }
    if (typeof asked.open === 'string') this.open(asked.open)
    else if (this.device) this.device.answer(asked, this)
    else if (Number.isInteger(asked.read) && this.kind) this.read(asked.read)
    else this.say({ error: 'syntax' })
  }

  open(kind) {
    const { held, faults, devices } = this.bench
    const meter = KINDS[kind]
    if (!meter && !DEVICES[kind]) {
      this.say({ error: 'unknown' })
      return
    }
    if (held.has(kind)) {
      this.say({ error: 'busy' })
      this.socket.end()
      return
    }
    this.kind = kind
    held.set(kind, this.socket)
    if (!meter) {
      if (!devices.has(kind)) devices.set(kind, newDevice(kind, this.bench))
      this.device = devices.get(kind)
      this.say(this.device.hello())
      return
    }
    this.say({
      meter: kind,
      serial: `BENCH-${kind.slice(0, 3).toUpperCase()}-01`,
      unit: meter.unit,
      repeatability: meter.repeatability,
      battery: faults.get(kind) === 'flat' ? 2 : 78,
    })
  }

  read(number) {
    const { unit } = KINDS[this.kind]
    const value = this.bench.next(this.kind)
    switch (this.bench.faults.get(this.kind)) {
      case 'unplugged':
        this.socket.destroy()
        return
      case 'late':
        setTimeout(() => this.say({ read: number, value, unit }), this.bench.lateMs).unref()
        return
      case 'garbage':
        this.socket.write('\u0000\u0001 not a line\n')
        return
      case 'flat':
        this.say({ read: number, error: 'battery' })
        return
      case 'nonsense':
        this.say({ read: number, value: 'hot', unit })
        return
      case 'outOfRange':
        this.say({ read: number, value: 9999, unit })
        return
      case 'wrongUnit':
        this.say({ read: number, value, unit: 'grain' })
        return
      default:
        this.say({ read: number, value, unit })
    }
  }
}

/** @param options.port 0 takes any free one */
export async function openMeterBench({ port = 0, lateMs = 60_000 } = {}) {
  let taken = 0
  const bench = {
    lateMs,
    faults: new Map(),
    held: new Map(),
    sockets: new Set(),
    /** Devices keep their level and go on running when a line is closed. */
    devices: new Map(),
    next(kind) {
      const { around, noise } = KINDS[kind]
      taken += 1
      return Math.round((around + noise * Math.sin(taken * 2.4)) * 100) / 100
    },
  }
  const server = createServer((socket) => new MeterLine(socket, bench))
  const own = await new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve(server.address().port))
  })
  return {
    port: own,
    device: (kind) => bench.devices.get(kind),
    fail: (kind, fault) => {
      if (fault) bench.faults.set(kind, fault)
      else bench.faults.delete(kind)
    },
    close: () =>
      new Promise((resolve) => {
        for (const socket of bench.sockets) socket.destroy()
        server.close(() => resolve())
      }),
  }
}
