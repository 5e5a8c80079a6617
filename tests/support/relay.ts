import { connect, createServer, type Socket } from 'node:net'

/**
 * Stands between a server and its database, on a port of its own.
 * @param opened is told of each connection, and gives back who takes its way to the database: what
 *   comes, and how it is sent on
 */
export async function relay(
  target: number,
  opened: () => (piece: Buffer, on: (piece: Buffer) => void) => void,
): Promise<{ port: number; close: () => Promise<void> }> {
  const sockets = new Set<Socket>()
  const server = createServer((from) => {
    const to = connect(target, '127.0.0.1')
    const take = opened()
    for (const socket of [from, to]) {
      sockets.add(socket)
      socket.on('close', () => sockets.delete(socket))
    }
    from.on('data', (piece) => take(piece, (on) => to.write(on)))
    to.on('data', (piece) => from.write(piece))
    from.on('close', () => to.destroy()).on('error', () => to.destroy())
    to.on('close', () => from.destroy()).on('error', () => from.destroy())
  })
  const port = await new Promise<number>((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve((server.address() as { port: number }).port)),
  )
  return {
    port,
    close: () =>
      new Promise((done) => {
        for (const socket of sockets) socket.destroy()
        server.close(() => done())
      }),
  }
}
