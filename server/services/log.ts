import pino from 'pino'

/**
 * Structured lines without anything a person typed: paths lose their query, bodies and names are
 * never logged.
 */
export const log = pino({
  base: null,
  level: process.env.OAK_LOG_LEVEL ?? 'warn',
  timestamp: pino.stdTimeFunctions.isoTime,
})
