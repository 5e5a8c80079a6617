import type { Contraindication } from '../../catalogue/consultation/contraindications'
import { FAMILY_NAMES, type FamilyId } from '../../catalogue/kinds'
import { LIMIT_IDS, LIMIT_WORDS, NO_LIMIT, type Limit } from '../../catalogue/rules/limits'
import { limitWords } from './limits'

/**
 * How a house may change a row: only towards more caution. What is missing stays as the table has
 * it.
 */
export interface Tightening {
  /** Days until it lifts by itself. */
  days?: number
  /** The whole face instead of the zones named. */
  wholeFace?: true
  /** Stopped as well. */
  families?: readonly FamilyId[]
  limit?: Limit
}
export interface HouseRule {
  rule: string
  change: Tightening
  reason: string
}

const saysNothing = ({ days, wholeFace, families = [], limit = {} }: Tightening): boolean =>
  (days ?? 0) === 0 &&
  wholeFace === undefined &&
  families.length === 0 &&
  Object.keys(limit).length === 0

/** Why a change would loosen a row, or say nothing; undefined when it tightens. */
export function loosens(row: Contraindication, change: Tightening): string | undefined {
  if (saysNothing(change)) return 'nothing is changed'
  if (change.days !== undefined) {
    if (row.days === undefined) return 'this row does not lift by a date'
    if (change.days < row.days) return `not fewer than ${row.days} days`
  }
  for (const id of LIMIT_IDS) {
    const most = row.limit?.[id] ?? NO_LIMIT[id]
    if ((change.limit?.[id] ?? most) > most) return LIMIT_WORDS[id].notAbove(most)
  }
  return undefined
}

/**
 * The table as this house works it. A rule that would loosen its row is passed over: the table
 * stands.
 */
export function tightened(
  rows: readonly Contraindication[],
  rules: readonly HouseRule[],
): readonly Contraindication[] {
  if (rules.length === 0) return rows
  return rows.map((row) =>
    rules
      .filter((rule) => rule.rule === row.id && loosens(row, rule.change) === undefined)
      .reduce(apply, row),
  )
}

function apply(row: Contraindication, { change, reason }: HouseRule): Contraindication {
  const families = [...new Set([...row.families, ...(change.families ?? [])])]
  const least = (one: number | undefined, other: number | undefined) =>
    one === undefined ? other : other === undefined ? one : Math.min(one, other)
  const limit = Object.fromEntries(
    LIMIT_IDS.flatMap((field) => {
      const value = least(row.limit?.[field], change.limit?.[field])
      return value === undefined ? [] : [[field, value]]
    }),
  ) as Limit
  return {
    ...row,
    families,
    where: change.wholeFace ? 'whole' : row.where,
    ...(Object.keys(limit).length > 0 ? { limit } : {}),
    ...(row.days === undefined ? {} : { days: Math.max(row.days, change.days ?? 0) }),
    sentence: `${row.sentence} House rule: ${words(change)}.`,
    reason: `${row.reason}; house rule: ${reason}`,
  }
}

/** A change in words, for the screen and the record. */
export function words(change: Tightening): string {
  return [
    change.days === undefined ? '' : `${change.days} days`,
    change.wholeFace ? 'on the whole face' : '',
    change.families?.length
      ? `no ${change.families.map((family) => FAMILY_NAMES[family]).join(', ')} either`
      : '',
    ...limitWords(change.limit),
  ]
    .filter(Boolean)
    .join(', ')
}
