import { connect, type Socket } from 'node:net'
import { METERS, type MeterKind } from '#core/catalogue/skin/meters'
import { refuseValue, REPEATS } from '#core/skin/meters'
import { ProblemError, refused } from '../problem/problem'

/** Characters that are kept of a line that does not end. */
const LINE_LIMIT = 10_000

export interface Taken {
  serial: string
  unit: string
  values: number[]
  battery: number
}

const WAIT_MS = 5000
/** Below this a meter's own word is asked for, not trusted. */
const BATTERY_LOW = 10

/**
 * Takes a row of readings over the bench's line. All or nothing: a fault on the way leaves nothing
 * to store.
 * @throws ProblemError with what happened and what to do
 */
export async function takeReadings(door: string, kind: MeterKind): Promise<Taken> {
  const [host = '127.0.0.1', port = ''] = door.split(':')
  const line = await Line.open(host, Number(port))
  try {
    const hello = await line.ask({ open: kind })
    if (hello.error === 'busy')
      throw new ProblemError(
        409,
        'In use',
        'Another tablet is reading with this meter. Try again in a moment; nothing was stored.',
      )
    if (hello.meter !== kind)
      throw new ProblemError(
        502,
        'Wrong meter',
        "Something else answered in the meter's place. Nothing was stored.",
      )
    if (hello.unit !== METERS[kind].unit)
      throw refused(refuseValue(kind, 0, hello.unit)?.text ?? '')
    const values: number[] = []
    for (let attempt = 1; attempt <= REPEATS; attempt++) {
      const said = await line.ask({ read: attempt })
      if (said.error === 'battery')
        throw new ProblemError(
          502,
          'Battery flat',
          "The meter's battery is flat. Charge it, then take the reading again; nothing was stored.",
        )
      if (said.read !== attempt)
        throw new ProblemError(
          502,
          'No sense',
          'The meter sent something that cannot be read. Nothing was stored.',
        )
      const refusal = refuseValue(kind, said.value, said.unit)
      if (refusal)
        throw refused(refusal.text, [
          {
            field: 'value',
            given: String(said.value).slice(0, 20),
            allowed: `${METERS[kind].least} to ${METERS[kind].most} ${METERS[kind].unit}`,
          },
        ])
      values.push(said.value as number)
    }
    return {
      serial: String(hello.serial).slice(0, 60),
      unit: METERS[kind].unit,
      values,
      battery: typeof hello.battery === 'number' ? hello.battery : 0,
    }
  } finally {
    line.close()
  }
}
export const batteryLow = (percent: number) => percent < BATTERY_LOW

type Said = Record<string, unknown>
class Line {
  private heard = ''
  private waiting: { resolve: (said: Said) => void; reject: (error: Error) => void } | undefined
  private ended = false
  private constructor(private readonly socket: Socket) {
    socket.setEncoding('utf8')
    socket.on('data', (text: string) => {
      this.heard += text
      const end = this.heard.indexOf('\n')
      if (end < 0) {
        if (this.heard.length > LINE_LIMIT) this.fail(senseless())
        return
      }
      const line = this.heard.slice(0, end)
      this.heard = this.heard.slice(end + 1)
      let said: unknown
      try {
        said = JSON.parse(line)
      } catch {
        this.fail(senseless())
        return
      }
      const waiting = this.waiting
      this.waiting = undefined
      waiting?.resolve(typeof said === 'object' && said !== null ? (said as Said) : {})
    })
    socket.on('error', () => this.fail(away()))
    socket.on('close', () => {
      this.ended = true
      this.fail(away())
    })
  }

  static open(host: string, port: number): Promise<Line> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port })
      const late = setTimeout(() => {
        socket.destroy()
        reject(slow())
      }, WAIT_MS)
      socket.once('connect', () => {
        clearTimeout(late)
        resolve(new Line(socket))
      })
      socket.once('error', () => {
        clearTimeout(late)
        reject(away())
      })
    })
  }

  async ask(message: object): Promise<Said> {
    if (this.ended) throw away()
    const reply = new Promise<Said>((resolve, reject) => {
      this.waiting = { resolve, reject }
    })
    const late = setTimeout(() => this.fail(slow()), WAIT_MS)
    this.socket.write(`${JSON.stringify(message)}\n`)
    try {
      return await reply
    } finally {
      clearTimeout(late)
    }
  }

  close() {
    this.socket.destroy()
  }
  private fail(error: Error) {
    const waiting = this.waiting
    this.waiting = undefined
    waiting?.reject(error)
  }
}
const away = () =>
  new ProblemError(
    502,
    'Meter away',
    'The meter is unplugged or switched off. Plug it in and take the reading again; nothing was stored.',
  )
const slow = () =>
  new ProblemError(
    504,
    'Meter late',
    'The meter did not answer in five seconds. Nothing was stored.',
  )
const senseless = () =>
  new ProblemError(
    502,
    'No sense',
    'The meter sent something that cannot be read. Nothing was stored.',
  )
