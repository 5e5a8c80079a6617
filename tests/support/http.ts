import { ACCOUNTS, type Who } from './accounts'

export interface Reply {
  status: number
  body: unknown
  headers: Headers
  text: string
  bytes: Buffer
}
export interface Sent {
  method?: string
  body?: unknown
  raw?: string
  headers?: Record<string, string>
}
export type Caller = (path: string, options?: Sent) => Promise<Reply>

/**
 * Speaks to a running server as one signed-in person would: keeps the cookie, says where it comes
 * from, sends JSON; by way of `via` when something stands between.
 */
export function caller(base: string, via = base): Caller {
  let cookie = ''
  return async (path, { method = 'GET', body, raw, headers = {} } = {}) => {
    const write = method !== 'GET'
    const response = await fetch(`${via}${path}`, {
      // A line of its own for each request: a kept one may be closed by the server just as it is
      // used again.
      method,
      redirect: 'manual',
      headers: {
        connection: 'close',
        // What is packed and unpacked again on one machine is seen to by a test of its own.
        'accept-encoding': 'identity',
        ...(cookie ? { cookie } : {}),
        ...(write
          ? { origin: base, 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' }
          : {}),
        ...headers,
      },
      ...(write ? { body: raw ?? JSON.stringify(body ?? {}) } : {}),
    })
    for (const ownCookie of response.headers.getSetCookie()) {
      const [pair = ''] = ownCookie.split(';')
      cookie = /=$|=;/.test(pair) || ownCookie.includes('Max-Age=0') ? '' : pair
    }
    const bytes = Buffer.from(await response.arrayBuffer())
    const text = bytes.toString('utf8')
    let parsed: unknown = text
    try {
      parsed = JSON.parse(text)
    } catch {
      /* not JSON */
    }
    return { status: response.status, body: parsed, headers: response.headers, text, bytes }
  }
}

export async function signedIn(base: string, who: Who, via = base): Promise<Caller> {
  const call = caller(base, via)
  const reply = await call('/api/session', {
    method: 'POST',
    body: { email: ACCOUNTS[who].email, password: ACCOUNTS[who].password },
  })
  if (reply.status !== 200) throw new Error(`${who} could not sign in: ${reply.text}`)
  return call
}

export const testUrl = (): string => {
  const url = process.env.OAK_TEST_URL
  if (!url)
    throw new Error('Run the tests through ./test: it brings up the house and says where it is.')
  return url
}
