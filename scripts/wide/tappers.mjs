import { performance } from 'node:perf_hooks'

const AGAIN_MS = 150
const GAP_MS = 60

/**
 * A tablet as the room's page is one: a tap stays with it until it is acknowledged, and is sent again
 * until then, in the order in which it was made.
 */
export class Tablet {
  made = []
  /** Longest that a tap waited for its acknowledgement, milliseconds. */
  longest = 0
  refused = []
  constructor(call, visit, makeTap) {
    this.call = call
    this.visit = visit
    this.makeTap = makeTap
    this.acknowledged = 0
  }

  /** Taps until it is told to end. */
  async run(ending) {
    while (!ending()) {
      const tap = this.makeTap(this.made.length)
      this.made.push(tap.id)
      const began = performance.now()
      while (!(await this.sent(tap))) await wait(AGAIN_MS)
      this.acknowledged++
      this.longest = Math.max(this.longest, performance.now() - began)
      await wait(GAP_MS)
    }
  }

  async sent(tap) {
    const body = { events: [tap] }
    const path = `/api/visits/${this.visit}/events`
    const reply = await this.call(path, { method: 'POST', body }).catch(() => undefined)
    if (reply?.status === 200) return true
    // Away or broken off is sent again; anything else is a refusal, and wrong.
    if (reply && reply.status < 500)
      this.refused.push(`${reply.status} ${reply.text.slice(0, 120)}`)
    return false
  }
}

const wait = (ms) => new Promise((done) => setTimeout(done, ms))

/**
 * A tablet that only listens to a room: opened again whenever its line breaks, and then told what it
 * has missed, as the page does.
 */
export class Listener {
  heard = new Set()
  others = []
  lines = 0
  constructor(url, missedUrl, cookie) {
    this.where = { url, missedUrl, cookie }
    this.ends = new AbortController()
  }

  async run() {
    while (!this.ends.signal.aborted) {
      await this.listen().catch(() => {})
      await wait(AGAIN_MS).catch(() => {})
    }
  }

  async listen() {
    const { url, cookie } = this.where
    const reply = await fetch(url, { headers: { cookie }, signal: this.ends.signal })
    if (!reply.ok) throw new Error(String(reply.status))
    this.lines++
    await this.catchUp()
    let text = ''
    for await (const part of reply.body.pipeThrough(new TextDecoderStream())) {
      const words = (text + part).split('\n\n')
      text = words.pop()
      for (const word of words) this.take(word)
    }
  }
  async catchUp() {
    const { missedUrl, cookie } = this.where
    const reply = await fetch(missedUrl, { headers: { cookie }, signal: this.ends.signal })
    if (reply.ok) for (const { id } of (await reply.json()).events) this.heard.add(id)
  }
  take(word) {
    const data = /^data: (.*)$/m.exec(word)?.[1]
    if (!data) return
    if (word.includes('event: taps'))
      for (const { id } of JSON.parse(data).events) this.heard.add(id)
    if (word.includes('event: others')) this.others = JSON.parse(data)
  }
  close() {
    this.ends.abort()
  }
}
