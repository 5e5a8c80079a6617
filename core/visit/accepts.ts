import { VISIT_STATUSES, type VisitStatus } from './status'

const BEFORE_AND_DURING: readonly VisitStatus[] = ['booked', 'treating']
const UNTIL_SEALED: readonly VisitStatus[] = ['booked', 'treating', 'closing']
const NOT_FALLEN_AWAY = VISIT_STATUSES.filter((status) => status !== 'cancelled')

/** What may be written into a visit, and while it stands how. */
const ACCEPTED = {
  /** When, where, with whom, how long; and that it falls away. */
  booking: ['booked'],
  /** What the client wants and wears, and that they came late. */
  wishes: UNTIL_SEALED,
  next: NOT_FALLEN_AWAY,
  link: ['booked'],
  /** What is told in the room counts at once: it bars the step at hand. */
  answers: BEFORE_AND_DURING,
  consent: BEFORE_AND_DURING,
  /** A yes can always be taken back. */
  withdrawal: VISIT_STATUSES,
  preferences: UNTIL_SEALED,
  override: ['booked'],
  /** Read days after the visit at which it was placed. */
  patchTest: NOT_FALLEN_AWAY,
  /** While it is treated the second reading comes as a tap. */
  reading: ['booked'],
  meters: BEFORE_AND_DURING,
  halves: UNTIL_SEALED,
  laid: BEFORE_AND_DURING,
  plan: ['booked'],
  version: ['treating'],
  /** A tablet that was offline sends its taps late. */
  taps: ['treating', 'closing', 'sealed'],
  device: ['treating'],
  photographs: ['treating', 'closing'],
  /** Home is asked before and written after; a routine is changed between visits too. */
  home: NOT_FALLEN_AWAY,
  /** What comes after a treatment: questions to the client, notes for a doctor. */
  afterwards: ['treating', 'closing', 'sealed'],
  recordText: ['treating', 'closing'],
  seal: ['closing'],
  amendment: ['sealed'],
} as const satisfies Record<string, readonly VisitStatus[]>
export type Written = keyof typeof ACCEPTED
export const WRITTEN = Object.keys(ACCEPTED) as Written[]

/** May this still be written? The one answer for every panel and every service. */
export const accepts = (status: VisitStatus, what: Written): boolean =>
  (ACCEPTED[what] as readonly VisitStatus[]).includes(status)

/** Why not, by how the visit stands. */
const CLOSED_WORDS: Readonly<Record<VisitStatus, string>> = {
  booked: 'The treatment has not been started.',
  treating: 'The treatment has begun.',
  closing: 'The treatment is over.',
  sealed: 'This visit is sealed. Amend the record instead.',
  cancelled: 'This visit was cancelled. Nothing was saved.',
}
/** Where there is more to say than how the visit stands. */
const MORE_WORDS: Partial<Record<Written, Partial<Record<VisitStatus, string>>>> = {
  booking: { treating: 'The treatment has begun: the booking can no longer be changed.' },
  link: { treating: 'The treatment has begun: ask in the room.' },
  override: {
    treating: 'Restrictions cannot be overridden once treatment has started.',
    closing: 'Restrictions cannot be overridden once treatment has started.',
  },
  plan: {
    treating:
      'Treatment has begun: the first version is frozen. Change what is left from the room.',
  },
  photographs: {
    booked: 'Pictures belong to a treatment: none can be added before it begins.',
    sealed: 'Pictures belong to a treatment: none can be added after the record is sealed.',
  },
  afterwards: { booked: 'That belongs after a treatment: it has not been started.' },
  seal: { treating: 'The treatment is not finished yet.' },
  amendment: {
    treating: 'Only a sealed record is amended; this one can still be edited.',
    closing: 'Only a sealed record is amended; this one can still be edited.',
  },
}
/** Why this may not be written, in a sentence; undefined where it may. */
export const refusal = (status: VisitStatus, what: Written): string | undefined =>
  accepts(status, what) ? undefined : (MORE_WORDS[what]?.[status] ?? CLOSED_WORDS[status])
