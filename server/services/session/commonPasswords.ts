import { dictionary } from '@zxcvbn-ts/language-common'
import { refused } from '../../problem/problem'

/** Passwords that are tried first: those that were found most often, as the dictionary lists them. */
const COMMON: ReadonlySet<string> = new Set(dictionary['passwords-common'] as readonly string[])
/** What people put behind a common password to make it longer. */
const TAIL = /[\d\W_]+$/

/** Whether it is one of them, one with figures or signs behind it, or one said over and over. */
export function isCommon(password: string): boolean {
  const word = password.normalize('NFKC').toLowerCase()
  const parts = [word, word.replace(TAIL, '')]
  return parts.some((part) => part !== '' && (COMMON.has(part) || COMMON.has(repeated(part))))
}
/** The shortest beginning that the whole of it repeats; itself where it repeats nothing. */
function repeated(word: string): string {
  const at = (word + word).indexOf(word, 1)
  return word.slice(0, at)
}

/** @throws ProblemError 422 for a password that is tried first */
export function refuseCommon(password: string): void {
  if (isCommon(password) || repeated(password).length <= LEAST_REPEATED)
    throw refused('This password is a common one: choose another.', [
      { field: 'password', given: 'a common one', allowed: 'four words are good' },
    ])
}
const LEAST_REPEATED = 3
