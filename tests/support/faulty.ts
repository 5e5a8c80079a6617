import { createServer, request, type Server } from 'node:http'
import { relay } from './relay'

/**
 * Stands between tablet and server, and loses replies when told to: the request is done, and nobody
 * hears of it.
 */
export async function deafProxy(
  target: number,
): Promise<{ port: number; deaf: (on: boolean) => void; close: () => Promise<void> }> {
  let deaf = false
  const server: Server = createServer((req, res) => {
    const on = request(
      { host: '127.0.0.1', port: target, path: req.url, method: req.method, headers: req.headers },
      (back) => {
        if (deaf) {
          back.resume()
          back.on('end', () => res.destroy())
          return
        }
        res.writeHead(back.statusCode ?? 502, back.headers)
        back.pipe(res)
      },
    )
    on.on('error', () => res.destroy())
    req.pipe(on)
  })
  const port = await new Promise<number>((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as { port: number }).port)),
  )
  return {
    port,
    deaf: (value) => {
      deaf = value
    },
    close: () =>
      new Promise((done) => {
        server.closeAllConnections()
        server.close(() => done())
      }),
  }
}

/**
 * Stands between server and database, and holds back what says some words when told to, a commit or a
 * statement that is its own, so that the server can be ended just before it.
 */
export async function slowDatabase(target: number): Promise<{
  port: number
  /** @param words what is held back; nothing any more without them */
  hold: (words?: string) => void
  held: () => Promise<void>
  close: () => Promise<void>
}> {
  let holding: string | undefined
  let tell = () => {}
  let told = new Promise<void>((done) => {
    tell = done
  })
  const { port, close } = await relay(target, () => (piece, on) => {
    if (holding === undefined || !piece.includes(holding)) on(piece)
    else tell()
  })
  return {
    port,
    close,
    hold: (words) => {
      holding = words
      if (words !== undefined)
        told = new Promise((done) => {
          tell = done
        })
    },
    held: () => told,
  }
}
