/// <reference lib="webworker" />
import { clientsClaim } from 'workbox-core'
import { matchPrecache, precacheAndRoute } from 'workbox-precaching'
import { registerRoute } from 'workbox-routing'
import { NetworkOnly } from 'workbox-strategies'

/**
 * The shell of the application on the device, so that a tablet that loses the house in the middle of
 * a treatment can still be reloaded. It keeps code, styles, fonts and one empty page: nothing that a
 * server said of anybody is ever kept here.
 */
declare const SHELL_FILES: { url: string; revision: string | null }[]
const SHELL = '/shell'

void (globalThis as unknown as ServiceWorkerGlobalScope).skipWaiting()
clientsClaim()
precacheAndRoute(SHELL_FILES)
registerRoute(
  ({ request }) => request.mode === 'navigate',
  new NetworkOnly({
    plugins: [{ handlerDidError: async () => (await matchPrecache(SHELL)) ?? Response.error() }],
  }),
)
