/** A visit is at least and at most so long, minutes. */
export const VISIT_MINUTES = { least: 15, most: 180 } as const
/** When places are offered in a house that has told no hours, by the hour. House value. */
export const USUAL_HOURS = { from: 8, to: 18 } as const
/** How finely a place is offered, minutes. House value. */
export const PLACE_STEP = 15
/**
 * One facial every four weeks, common practice; sooner only where nothing strong was done, later
 * never for lack of rest.
 */
export const USUAL_DAYS = 28
/** How many places are offered for a next visit. House value. */
export const NEXT_OFFERED = 3
/** A course of visits booked at once: how many, and weeks from one to the next. House values. */
export const COURSE = { least: 2, usual: 4, most: 12, weeksLeast: 1, weeksMost: 12 } as const

/** Lengths that are offered for a visit, minutes. House values. */
export const OFFERED_LENGTHS: readonly number[] = [30, 45, 60, 75, 90]
/** What a visit lasts where nothing else was said, minutes. */
export const USUAL_MINUTES = 60
/** A visit that is added by hand begins here or at the next half hour. */
export const FIRST_OFFERED = { hour: 10, halves: [30, 60] } as const
/** A gap of at least so many minutes is shown as free. House value. */
export const SHORTEST_GAP = 30
/** How much may be said for one step. */
export const STEP_MOST = { minutes: 90, passes: 9, setting: 1000 } as const

/** Minutes before the client that it takes to lay out a tray. Common practice. */
export const LAY_MINUTES = 10
