import type { OutcomeId } from '#core/catalogue/rules/grading'

/** How an outcome is marked: calm, to be watched, or to be acted on. */
export const outcomeTag = (outcome: OutcomeId): string =>
  outcome === 'expected' ? 'good' : outcome === 'watch' ? 'watch' : 'stop'
