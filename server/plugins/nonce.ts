/** The page's own inline scripts carry the nonce that the content policy asks for. */
export default defineNitroPlugin((nitro) => {
  // What this server is made of is nobody's business.
  nitro.hooks.hook('render:response', (response) => {
    delete response.headers?.['x-powered-by']
  })
  nitro.hooks.hook('render:html', (html, { event }) => {
    const nonce = String(event.context.nonce ?? '')
    const mark = (parts: string[]) =>
      parts.map((part) => part.replace(/<script(?![^>]*\bnonce=)/g, `<script nonce="${nonce}"`))
    html.head = mark(html.head)
    html.bodyPrepend = mark(html.bodyPrepend)
    html.bodyAppend = mark(html.bodyAppend)
    html.body = mark(html.body)
  })
})
