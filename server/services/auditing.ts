import { AsyncLocalStorage } from 'node:async_hooks'
import type { Staff } from './session/session'

/** What one request is written down as: whose file it is about, and who did it. */
export interface Subject {
  clientId: string | null
  visitId: string | null
  /** Who did it, where nobody was signed in when it began. */
  staff?: Staff
  /** In which practice, where the deed itself says so. */
  branch?: string
}

const here = new AsyncLocalStorage<Subject>()

/** Runs a deed whose line is written when it is over: whoever looks something up names it here. */
export const audited = <Result>(subject: Subject, work: () => Result): Result =>
  here.run(subject, work)

/** Names what the deed that runs is about. */
export const about = (subject: Partial<Subject>): void => {
  Object.assign(here.getStore() ?? {}, subject)
}

/** The subject of the deed that runs, if one does. */
export const subjectNow = (): Subject | undefined => here.getStore()
