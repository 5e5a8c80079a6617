import type { CDPSession, Page } from '@playwright/test'

/** What came over the wire for a page, and how far it moved while it came. */
export interface Weighed {
  /** Script as it was sent, kB of 1,024 bytes, rounded up. */
  script: number
  requests: number
  /** Sum of the layout's shifts, as a browser counts them: share of the screen times way. */
  shift: number
  /** What moved, as the page names it. */
  moved: string[]
  /** Script as it is read. */
  texts: string[]
}
const KB = 1024
const QUIET_MS = 1000
const LOOK_MS = 50

/**
 * Nothing lies in the browser's cache but the letters of the page, as they do from the second page on:
 * whether they come before the first paint would hang on the machine.
 */
async function lettersOnly(page: Page, line: CDPSession): Promise<void> {
  await line.send('Network.clearBrowserCache')
  await page.goto('/oak-basin.webmanifest')
  await page.evaluate(async () => {
    const door = new DOMParser().parseFromString(
      await (await fetch('/sign-in', { credentials: 'omit' })).text(),
      'text/html',
    )
    const fonts = [...door.querySelectorAll<HTMLLinkElement>('link[rel=preload][as=font]')]
    await Promise.all(fonts.map((own) => new FontFace('here', `url(${own.href})`).load()))
  })
}

/**
 * Opens a page and waits until nothing comes any more. A machine that pauses longer measures less,
 * never more: what is over a budget here is over it anywhere.
 * @param more.letters whether the letters are there already, and nothing else
 */
export async function weighed(
  page: Page,
  act: () => Promise<void>,
  { letters = true } = {},
): Promise<Weighed> {
  const line = await page.context().newCDPSession(page)
  await line.send('Network.enable')
  if (letters) await lettersOnly(page, line)
  const open = new Map<string, { url: string }>()
  const scripts: { url: string; bytes: number }[] = []
  let requests = 0
  let lastAt = Date.now()
  const heard = () => {
    lastAt = Date.now()
  }
  line.on('Network.requestWillBeSent', ({ requestId, request, type }) => {
    heard()
    if (request.url.startsWith('data:')) return
    if (type === 'Document') {
      // What the page before was still waiting for is nobody's any more.
      open.clear()
      scripts.length = 0
      requests = 0
    }
    requests++
    if (!request.url.includes('/stream')) open.set(requestId, { url: request.url })
  })
  line.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    heard()
    const own = open.get(requestId)
    if (own && new URL(own.url).pathname.endsWith('.js'))
      scripts.push({ url: own.url, bytes: encodedDataLength })
    open.delete(requestId)
  })
  line.on('Network.dataReceived', heard)
  await page.addInitScript(watchShifts)
  await act()
  while (Date.now() - lastAt < QUIET_MS) await page.waitForTimeout(LOOK_MS)
  const texts = await Promise.all(scripts.map(({ url }) => page.request.get(url)))
  const { sum, moved } = await page.evaluate(() => (window as unknown as Shifting).shifting)
  await line.detach()
  const bytes = scripts.reduce((all, one) => all + one.bytes, 0)
  return {
    script: Math.ceil(bytes / KB),
    requests,
    shift: sum,
    moved,
    texts: await Promise.all(texts.map((reply) => reply.text())),
  }
}

interface Shifting {
  shifting: { sum: number; moved: string[] }
}
interface Shift extends PerformanceEntry {
  value: number
  hadRecentInput: boolean
  sources: { node: Element | null }[]
}
function watchShifts(): void {
  const shifting = { sum: 0, moved: [] as string[] }
  ;(window as unknown as Shifting).shifting = shifting
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries() as Shift[]) {
      if (entry.hadRecentInput) continue
      shifting.sum += entry.value
      for (const { node } of entry.sources)
        shifting.moved.push(
          `${entry.value.toFixed(3)} ${node?.nodeName ?? ''}.${(node as HTMLElement | null)?.className ?? ''}`,
        )
    }
  }).observe({ type: 'layout-shift', buffered: true })
}
