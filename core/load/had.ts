import type { TechniqueId } from '../catalogue/techniques/techniques'
import type { PastWork, Taken } from './rest'

/** Whether a technique was done here on this client before. */
export const hadBefore = (past: readonly PastWork[], id: TechniqueId): boolean =>
  past.some((work) => work.techniques?.includes(id))

/** Whether it was done before and taken well, the last time it was. */
export function tookWell(past: readonly PastWork[], id: TechniqueId): boolean {
  const own = past.filter((work) => work.techniques?.includes(id))
  const latest = own.reduce<PastWork | undefined>(
    (last, work) => (last === undefined || work.day > last.day ? work : last),
    undefined,
  )
  return latest?.taken === 'well'
}

/** How the last visit here was taken; undefined where no record says so. */
export const lastTaken = (past: readonly PastWork[]): Taken | undefined =>
  past.reduce<PastWork | undefined>(
    (last, work) => (last === undefined || work.day > last.day ? work : last),
    undefined,
  )?.taken
