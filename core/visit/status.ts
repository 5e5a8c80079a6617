import { MINUTE_MS } from '../units'

/** What may become of a visit, in order. */
export const VISIT_STATUSES = ['booked', 'treating', 'closing', 'sealed', 'cancelled'] as const
export type VisitStatus = (typeof VISIT_STATUSES)[number]

/** The treatment has started, whether or not it is over. */
export const hasBegun = (status: VisitStatus): boolean =>
  status === 'treating' || wasTreated(status)
/** The treatment is over: what remains is the record. */
export const wasTreated = (status: VisitStatus): boolean =>
  status === 'closing' || status === 'sealed'
/** The statuses of visits that have begun, for asking the tables. */
export const BEGUN: readonly VisitStatus[] = VISIT_STATUSES.filter(hasBegun)
/**
 * Whether its booked moment has come: before it nobody has failed to come.
 * @param startsAt and `now`, milliseconds since 1970
 */
export const isDue = (startsAt: number, now: number): boolean => now >= startsAt
/** Whether all of it lies behind: nothing is booked there any more; who walks in late still is. */
export const isOver = (startsAt: number, minutes: number, now: number): boolean =>
  startsAt + minutes * MINUTE_MS <= now
