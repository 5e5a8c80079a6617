import { COMMON_PRACTICE } from '../kinds'

/** What is good for a time only once it is opened, mixed, warmed or packed. */
export const OPENED_KINDS = ['half', 'mix', 'cloths', 'bath', 'pack'] as const
export type OpenedKind = (typeof OPENED_KINDS)[number]

/** Until the next morning at an hour of the house, or so many hours after. */
type Life = { nextDayAt: number } | { hours: number }
interface OpenedRow {
  id: OpenedKind
  name: string
  life: Life
  /** It is one client's, and no other's. */
  ofClient?: true
  /** Its own label may say for how long, and the house enters that. */
  byLabel?: true
  sentence: string
  source: string
}
export const OPENED_ROWS: Readonly<Record<OpenedKind, OpenedRow>> = {
  half: {
    id: 'half',
    name: 'half of an ampoule',
    life: { nextDayAt: 12 },
    ofClient: true,
    sentence: 'until the next morning, for the same person',
    source: COMMON_PRACTICE,
  },
  mix: {
    id: 'mix',
    name: 'a mix of our own',
    life: { hours: 48 },
    ofClient: true,
    sentence: 'as long as the part that keeps the shortest, chilled, for the same person',
    source: COMMON_PRACTICE,
  },
  cloths: {
    id: 'cloths',
    name: 'warmed cloths',
    life: { hours: 4 },
    sentence: 'four hours in the warm cabinet, then washed again',
    source: COMMON_PRACTICE,
  },
  bath: {
    id: 'bath',
    name: 'disinfectant bath',
    life: { hours: 24 },
    byLabel: true,
    sentence: 'a day, or as its label says, then mixed anew',
    source: COMMON_PRACTICE,
  },
  pack: {
    id: 'pack',
    name: 'sterile pack',
    life: { hours: 24 * 180 },
    byLabel: true,
    sentence: 'half a year, or as printed on it, and only while it is whole',
    source: COMMON_PRACTICE,
  },
}
/** From so many hours before its end it is pointed out: it is used first. */
export const SOON_OVER_HOURS = 3
