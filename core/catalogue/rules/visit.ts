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
