import { FAMILY_NAMES, type FamilyId } from '../catalogue/kinds'

/** One row that the house computes with, in words. */
export interface Row {
  group: string
  id: string
  title: string
  sentence: string
  reason: string
  source: string
}

/** Rows of one group from the catalogue's own. */
export const rowsOf = <Own>(
  group: string,
  list: readonly Own[],
  words: (own: Own) => Omit<Row, 'group' | 'reason'> & Partial<Pick<Row, 'reason'>>,
): Row[] => list.map((own) => ({ group, reason: '', ...words(own) }))

/** " Stops: acids, blade." */
export const stopsWords = (families: readonly FamilyId[]): string =>
  families.length > 0 ? ` Stops: ${families.map((id) => FAMILY_NAMES[id]).join(', ')}.` : ''

/** "at least 2", "at most 1", "is 3". */
export function boundWords(bound: { exactly?: number; atLeast?: number; atMost?: number }): string {
  if (bound.exactly !== undefined) return `is ${bound.exactly}`
  if (bound.atLeast !== undefined) return `at least ${bound.atLeast}`
  return `at most ${bound.atMost ?? ''}`
}
