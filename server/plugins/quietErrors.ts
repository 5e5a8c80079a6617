import { codeOf } from '../problem/fromDatabase'
import { log } from '../services/log'

/**
 * What no route caught is written down by its kind and code only. The platform's own listeners would
 * print the whole error, and an error of the database holds the words that were to be saved.
 */
export default defineNitroPlugin(() => {
  for (const event of ['unhandledRejection', 'uncaughtException'] as const) {
    process.removeAllListeners(event)
    process.on(event, (error: unknown) => {
      log.error(
        { event, kind: error instanceof Error ? error.name : 'unknown', code: codeOf(error) },
        'unexpected',
      )
    })
  }
})
