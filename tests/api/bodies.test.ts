import { request } from 'node:http'
import { describe, expect, it } from 'vitest'
import { testUrl } from '../support/http'

const base = testUrl()
const CHUNK = Buffer.alloc(256 * 1024, 'x')
/** More than any route takes, and little beside what was swallowed before. */
const MOST_MB = 80

/** A body that says no length, until the server has had enough; how much of it went out, in bytes. */
function pour(path: string): Promise<{ status: number; sent: number }> {
  return new Promise((resolve) => {
    let sent = 0
    let status = 0
    const url = new URL(path, base)
    const out = request(url, {
      method: 'POST',
      headers: {
        'content-type': 'application/json',
        'transfer-encoding': 'chunked',
        origin: base,
        'sec-fetch-site': 'same-origin',
      },
    })
    const over = () => {
      resolve({ status, sent })
    }
    out.on('response', (reply) => {
      status = reply.statusCode ?? 0
      reply.resume()
      reply.on('end', over)
      reply.on('error', over)
    })
    out.on('error', over)
    out.on('close', over)
    const more = () => {
      while (status === 0 && !out.destroyed && sent < MOST_MB * 1024 * 1024) {
        sent += CHUNK.length
        if (!out.write(CHUNK)) {
          out.once('drain', more)
          return
        }
      }
      out.end()
    }
    more()
  })
}

describe('a body without an end', () => {
  it('is cut while it streams, whoever sends it and wherever to', async () => {
    for (const path of ['/api/session', '/api/setup', '/api/form/open', '/api/join/submit']) {
      const { status, sent } = await pour(path)
      // The refusal is heard, or the line is cut: either way little of it was read.
      expect([413, 0], path).toContain(status)
      expect(sent, path).toBeLessThan((MOST_MB / 2) * 1024 * 1024)
    }
  }, 120_000)
  it('and the house goes on answering', async () => {
    expect((await fetch(`${base}/api/ready`)).status).toBe(200)
  })
})
