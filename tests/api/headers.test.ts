import { beforeAll, describe, expect, it } from 'vitest'
import { caller, signedIn, testUrl, type Caller } from '../support/http'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})

describe('what every reply says of itself', () => {
  it('pages with names are kept by nobody', async () => {
    for (const path of ['/', '/people', '/practice', '/sign-in', '/form', '/method', '/you']) {
      const { headers } = await owner(path)
      expect(headers.get('cache-control'), path).toContain('no-store')
    }
  })
  it('nothing says what it is made of, and no file is guessed at', async () => {
    const page = await caller(base)('/sign-in')
    const script = /src="(\/_nuxt\/[^"]+\.js)"/.exec(page.text)?.[1] ?? ''
    expect(script).not.toBe('')
    for (const path of ['/sign-in', '/people', script, '/basin.svg', '/api/ready', '/nowhere']) {
      const { headers } = await owner(path)
      expect(headers.get('x-powered-by'), path).toBeNull()
      expect(headers.get('x-content-type-options'), path).toBe('nosniff')
    }
  })
})
