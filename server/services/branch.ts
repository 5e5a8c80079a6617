import { AsyncLocalStorage } from 'node:async_hooks'

/** The practice that a house begins with: what a connection does not say of itself is of it. */
export const FIRST_BRANCH = '00000000-0000-4000-8000-000000000001'

const here = new AsyncLocalStorage<string>()

/** The practice, of those that share this database, for which the call under way works. */
export const branchHere = (): string => here.getStore() ?? FIRST_BRANCH

/**
 * Works for one practice: every statement within sees its rows and no others, and what it writes is
 * of it. The database itself holds that, by the connection.
 * @param branch its id
 */
export const inBranch = <Result>(branch: string, work: () => Result): Result =>
  here.run(branch, work)
