import { randomBytes } from 'node:crypto'

/** No other host is ever spoken to: not by a script, a style, a picture, a form or a frame. */
export default defineEventHandler((event) => {
  const nonce = randomBytes(16).toString('base64')
  event.context.nonce = nonce
  setResponseHeaders(event, {
    'content-security-policy': [
      `default-src 'self'`,
      `script-src 'self' 'nonce-${nonce}'`,
      `style-src 'self' 'unsafe-inline'`,
      `img-src 'self' data:`,
      `font-src 'self'`,
      `connect-src 'self'`,
      `worker-src 'self'`,
      `object-src 'none'`,
      `base-uri 'none'`,
      `form-action 'self'`,
      `frame-ancestors 'none'`,
    ].join('; '),
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'no-referrer',
    'x-frame-options': 'DENY',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    'permissions-policy': 'camera=(), microphone=(), geolocation=(), payment=()',
  })
  // A page may show names: no browser and nothing between keeps it. Files have a dot in their name.
  const [path = ''] = event.path.split('?')
  if (!path.startsWith('/_nuxt/') && !path.slice(1).includes('.'))
    setResponseHeader(event, 'cache-control', 'no-store')
  if (useRuntimeConfig().origin.startsWith('https:'))
    setResponseHeader(event, 'strict-transport-security', 'max-age=31536000')
})
