import compression from 'compression'

/**
 * Replies go out packed where the browser takes that, streamed ones as they come; built files are
 * packed once, when they are built. The stream of taps is not: a tap waits for nothing.
 */
const pack = compression({
  filter: (request, response) =>
    !String(response.getHeader('content-type') ?? '').startsWith('text/event-stream') &&
    compression.filter(request, response),
})

export default fromNodeMiddleware(pack as Parameters<typeof fromNodeMiddleware>[0])
