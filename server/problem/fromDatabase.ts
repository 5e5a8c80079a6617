import { ProblemError } from './problem'

/** SQLSTATE codes of PostgreSQL (its manual, appendix A) that a person can be told about. */
const REFUSALS: Readonly<Record<string, readonly [number, string, string]>> = {
  '23505': [409, 'Already there', 'Already saved. Nothing was saved twice.'],
  '23P01': [
    409,
    'In the way',
    'The room, the therapist or the client has just been taken for that time. Nothing was saved.',
  ],
  // A row of that id stands already, in another practice: nobody here may see it.
  '42501': [409, 'Already there', 'That id is taken. Nothing was saved.'],
  '23514': [422, 'Cannot be done', 'Sealed or frozen records cannot be changed.'],
  '23503': [422, 'Cannot be done', 'It refers to something that does not exist.'],
}
const AWAY = new Set([
  'ECONNREFUSED',
  'CONNECTION_CLOSED',
  'CONNECTION_ENDED',
  'CONNECT_TIMEOUT',
  'CONNECTION_DESTROYED',
  'ECONNRESET',
])

/** The code of a refusal, of the database's or the network's; never its words, which hold data. */
export function codeOf(error: unknown): string | undefined {
  const cause = error instanceof Error && error.cause !== undefined ? error.cause : error
  if (typeof cause !== 'object' || cause === null || !('code' in cause)) return undefined
  return typeof cause.code === 'string' ? cause.code : undefined
}

/** What the database itself refused, said plainly; undefined for anything else. */
export function fromDatabase(error: unknown): ProblemError | undefined {
  const code = codeOf(error)
  if (code === undefined) return undefined
  const known = REFUSALS[code]
  if (known) return new ProblemError(...known)
  // 22: a value that no column takes, however it came through.
  if (/^22/.test(code))
    return new ProblemError(
      422,
      'Cannot be done',
      'A value is too large or too early to be stored. Nothing was saved.',
    )
  if (code === 'P0001') return new ProblemError(422, 'Cannot be done', lawOf(error))
  // 53: no room on the disk, in memory or for another connection.
  if (/^53/.test(code) || code === 'ENOSPC')
    return new ProblemError(
      503,
      'Disk full',
      'Nothing was saved yet: the disk of this computer is full. What you tapped is kept on this device and sent again.',
    )
  // 25006: a database that has just been told to follow another one.
  if (/^(57|08|55P03|25006)/.test(code) || AWAY.has(code)) return databaseAway()
  return undefined
}

export const databaseAway = () =>
  new ProblemError(
    503,
    'Database not available',
    'Nothing was saved yet. What you tapped is kept on this device and sent again.',
  )

/** The tables' own guards say in their own fixed words which law keeps a record. */
function lawOf(error: unknown): string {
  const cause = error instanceof Error && error.cause !== undefined ? error.cause : error
  return `The law keeps this record: ${(cause as { message?: string }).message ?? ''}.`
}
