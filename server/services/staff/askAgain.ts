import type { Again } from '#contracts/people'
import { ProblemError } from '../../problem/problem'
import { askPassword } from '../session/askPassword'
import { hasFactor, takeCodeOrRecovery } from '../session/secondFactor'
import type { Staff } from '../session/session'

/**
 * Asks for everything that signing in asks for, of somebody who is signed in: an open session alone
 * takes no account and makes nobody an owner.
 * @param kept what is said to have stayed as it was
 * @throws ProblemError 401 where it does not fit or is missing, 429 after too many tries
 */
export async function askAgain(me: Staff, again: Again | undefined, kept: string): Promise<void> {
  if (!again)
    throw new ProblemError(401, 'Password', `Your password, once more. ${kept}`, [
      { field: 'again', given: 'nothing', allowed: 'your password' },
    ])
  await askPassword(me, again.password, kept)
  if (!hasFactor(me)) return
  if (!again.code)
    throw new ProblemError(401, 'Second factor', `The code of your second factor too. ${kept}`, [
      { field: 'code', given: 'nothing', allowed: 'six digits, or a recovery code' },
    ])
  await takeCodeOrRecovery(me, again.code)
}
