import { ProblemError, sendProblem } from '../problem/problem'

/**
 * Every write comes from our own pages and says JSON: site, origin and content type are checked
 * before anything is read.
 */
export default defineEventHandler((event) => {
  if (!event.path.startsWith('/api/') || event.method === 'GET' || event.method === 'HEAD') return
  const { headers } = event.node.req
  const refuse = (status: number, detail: string) =>
    sendProblem(event, new ProblemError(status, 'Not accepted', detail))
  const site = headers['sec-fetch-site']
  if (site !== undefined && site !== 'same-origin')
    return refuse(403, 'Writes come from this application only.')
  const origin = headers.origin
  if (origin === undefined || !allowed(origin))
    return refuse(403, 'Writes come from this application only.')
  if (!/^application\/json(;|$)/.test(headers['content-type'] ?? ''))
    return refuse(415, 'Send JSON. Nothing was saved.')
})

function allowed(origin: string): boolean {
  try {
    return new URL(origin).origin === new URL(useRuntimeConfig().origin).origin
  } catch {
    return false
  }
}
