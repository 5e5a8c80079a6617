import { Line, senseless } from '../devices/spoken'

const POST = { name: 'post office', kept: 'the message waits' }

/** Whether this house has a post office on a line. */
export const postIs = (): boolean => useRuntimeConfig().post !== ''

/**
 * Hands one message over. The same id handed over twice is taken once.
 * @throws ProblemError where it was not taken, with what happened
 */
export async function putInPost(
  id: string,
  channel: 'mail' | 'text',
  to: string,
  words: string,
): Promise<void> {
  const line = await Line.open(useRuntimeConfig().post, POST)
  try {
    const said = await line.ask({ send: id, channel, to, words })
    if (typeof said.error === 'string') throw new Error(`the post office refused: ${said.error}`)
    if (said.took !== id) throw senseless(POST)
  } finally {
    line.close()
  }
}
