/** Pieces a house is taken to have of a tool until it has said: one, the cautious end. */
export const FIRST_PIECES = 1
/** Days after which a use that nobody has cleaned up after is asked for no more. House value. */
export const LOOK_BACK_DAYS = 60
/** How much of the cleaning log is shown at once. */
export const LOG_LINES = 300
