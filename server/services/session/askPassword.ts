import { ProblemError } from '../../problem/problem'
import { secretMatches } from './passwords'
import type { Staff } from './session'
import { countTry, forgetTries, tryKey } from './throttle'

const TRIES = 8

/**
 * Asks for the password once more, of somebody who is signed in.
 * @param kept what is said to have stayed as it was
 * @throws ProblemError 401 where it does not fit, 429 after too many tries
 */
export async function askPassword(me: Staff, password: string, kept: string): Promise<void> {
  const key = tryKey('code', `password ${me.id}`)
  await countTry({ key, most: TRIES })
  if (!(await secretMatches(password, me.passwordHash)))
    throw new ProblemError(401, 'Wrong password', `The password is wrong. ${kept}`)
  await forgetTries(key)
}
