import { relay } from './relay'

/** A statement as it was sent: its words, and the values it was sent with, as text. */
export interface Statement {
  text: string
  values: (string | null)[]
}

/** Message kinds of PostgreSQL's protocol that are read here (its manual, "Message Formats"). */
const PARSE = 'P'
const BIND = 'B'
const SIMPLE = 'Q'
const HEAD_BYTES = 5
const NULL_LENGTH = -1

/** The frames of one connection's way to the database, put together from whatever pieces they come in. */
function framesOf(take: (kind: string, body: Buffer) => void): (piece: Buffer) => void {
  let waiting = Buffer.alloc(0)
  let begun = false
  return (piece) => {
    waiting = Buffer.concat([waiting, piece])
    for (;;) {
      // The first message of a connection has no kind.
      const head = begun ? HEAD_BYTES : HEAD_BYTES - 1
      if (waiting.length < head) return
      const length = waiting.readInt32BE(head - 4) + head - 4
      if (waiting.length < length) return
      if (begun) take(String.fromCharCode(waiting[0] ?? 0), waiting.subarray(head, length))
      begun = true
      waiting = waiting.subarray(length)
    }
  }
}

/** Reads a message from its front to its end. */
class Reader {
  private at = 0
  constructor(private readonly body: Buffer) {}
  word(): string {
    const end = this.body.indexOf(0, this.at)
    const text = this.body.toString('utf8', this.at, end)
    this.at = end + 1
    return text
  }
  small(): number {
    this.at += 2
    return this.body.readInt16BE(this.at - 2)
  }
  skip(bytes: number): void {
    this.at += bytes
  }
  value(): string | null {
    const length = this.body.readInt32BE(this.at)
    this.at += 4
    if (length === NULL_LENGTH) return null
    this.at += length
    return this.body.toString('utf8', this.at - length, this.at)
  }
}

/** One connection's statements: parsed once under a name, then bound to values again and again. */
function listener(told: (statement: Statement) => void): (piece: Buffer) => void {
  const named = new Map<string, string>()
  return framesOf((kind, body) => {
    const reader = new Reader(body)
    if (kind === SIMPLE) told({ text: reader.word(), values: [] })
    if (kind === PARSE) named.set(reader.word(), reader.word())
    if (kind !== BIND) return
    reader.word()
    const text = named.get(reader.word()) ?? ''
    reader.skip(reader.small() * 2)
    told({ text, values: Array.from({ length: reader.small() }, () => reader.value()) })
  })
}

/** Stands between a server and its database, and hears which statements are sent. */
export async function hearStatements(target: number): Promise<{
  port: number
  /** What was sent while something was done. */
  during: (work: () => Promise<unknown>) => Promise<Statement[]>
  close: () => Promise<void>
}> {
  let heard: Statement[] = []
  const { port, close } = await relay(target, () => {
    const hear = listener((statement) => heard.push(statement))
    return (piece, on) => {
      hear(piece)
      on(piece)
    }
  })
  return {
    port,
    close,
    during: async (work) => {
      heard = []
      await work()
      return heard
    },
  }
}
