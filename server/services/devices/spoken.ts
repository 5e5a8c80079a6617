import { z } from 'zod'
import { connect, type Socket } from 'node:net'
import { ProblemError } from '../../problem/problem'

/** Characters that are kept of a line that does not end. */
const LINE_LIMIT = 10_000
const WAIT_MS = 5000

const aRecord = z.record(z.string(), z.unknown()).catch({})
export type Said = z.infer<typeof aRecord>
/** Who is spoken of where a line fails. */
export interface Spoken {
  /** "meter": what answers, or does not. */
  name: string
  /** What stays as it was: "nothing was stored". */
  kept: string
}

/** One line of JSON to a bench and one back, at most five seconds each. */
export class Line {
  private heard = ''
  private waiting: { resolve: (said: Said) => void; reject: (error: Error) => void } | undefined
  private ended = false
  private constructor(
    private readonly socket: Socket,
    private readonly spoken: Spoken,
  ) {
    socket.setEncoding('utf8')
    socket.on('data', (text: string) => {
      this.heard += text
      const end = this.heard.indexOf('\n')
      if (end < 0) {
        if (this.heard.length > LINE_LIMIT) this.fail(senseless(spoken))
        return
      }
      const line = this.heard.slice(0, end)
      this.heard = this.heard.slice(end + 1)
      let said: unknown
      try {
        said = JSON.parse(line)
      } catch {
        this.fail(senseless(spoken))
        return
      }
      const waiting = this.waiting
      this.waiting = undefined
      waiting?.resolve(aRecord.parse(said))
    })
    socket.on('error', () => this.fail(away(spoken)))
    socket.on('close', () => {
      this.ended = true
      this.fail(away(spoken))
    })
  }

  static open(door: string, spoken: Spoken): Promise<Line> {
    const [host = '127.0.0.1', port = ''] = door.split(':')
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port: Number(port) })
      const late = setTimeout(() => {
        socket.destroy()
        reject(slow(spoken))
      }, WAIT_MS)
      socket.once('connect', () => {
        clearTimeout(late)
        resolve(new Line(socket, spoken))
      })
      socket.once('error', () => {
        clearTimeout(late)
        reject(away(spoken))
      })
    })
  }

  async ask(message: object): Promise<Said> {
    if (this.ended) throw away(this.spoken)
    const reply = new Promise<Said>((resolve, reject) => {
      this.waiting = { resolve, reject }
    })
    const late = setTimeout(() => this.fail(slow(this.spoken)), WAIT_MS)
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
const away = ({ name, kept }: Spoken) =>
  new ProblemError(
    502,
    'Not connected',
    `The ${name} is unplugged or switched off. Plug it in and try again; ${kept}.`,
  )
const slow = ({ name, kept }: Spoken) =>
  new ProblemError(504, 'No answer', `The ${name} did not answer in five seconds; ${kept}.`)
export const senseless = ({ name, kept }: Spoken) =>
  new ProblemError(
    502,
    'Unreadable answer',
    `The ${name} sent something that cannot be read; ${kept}.`,
  )
