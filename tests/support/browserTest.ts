import { expect, test as base, type Page, type Request } from '@playwright/test'

/** More is not shown of what lies beside a failed test. */
const SHOWN = 3
const SECOND_MS = 1000

/** What a page still waits for, and what went wrong in it: said where a test fails. */
function observe(page: Page): () => string {
  const waiting = new Map<Request, number>()
  const wrong: string[] = []
  const gone = (request: Request) => void waiting.delete(request)
  page.on('request', (request) => waiting.set(request, Date.now()))
  page.on('requestfinished', gone)
  page.on('requestfailed', gone)
  page.on('pageerror', (error) => wrong.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error') wrong.push(message.text())
  })
  return () => {
    // The line on which taps of other tablets arrive is open for as long as the room is.
    const open = [...waiting].filter(([request]) => !request.url().includes('/stream'))
    const lines = open.map(([request, since]) => {
      const seconds = Math.round((Date.now() - since) / SECOND_MS)
      return `${seconds} s without an answer: ${request.method()} ${new URL(request.url()).pathname}`
    })
    return [`at ${page.url()}`, ...lines.slice(0, SHOWN), ...wrong.slice(-SHOWN)].join('\n')
  }
}

/** A test in the browser; where it fails, what its page was waiting for stands beside it. */
export const test = base.extend<{ beside: undefined }>({
  beside: [
    async ({ page }, use, info) => {
      const told = observe(page)
      await use(undefined)
      if (info.status !== info.expectedStatus)
        await info.attach('the page', { body: told(), contentType: 'text/plain' })
    },
    { auto: true },
  ],
})
export { expect }
