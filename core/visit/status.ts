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
