import { STEP_DOWN_ROWS, type StepDownRow } from '../catalogue/skin/stepDown'
import type { PastWork } from './rest'
import { lastTaken } from './had'
import { REGION_IDS } from '../face/zones'
import { readRegion, type Readings } from '../skin/readings'
import { together } from '../screening/verdict/limits'
import type { Bar, Verdict } from '../screening/verdict/verdict'

/**
 * Why today's plan goes one rung down: the last visit was too much, or the skin reads more
 * sensitive than it did then (common practice).
 */
export function stepsDown(
  past: readonly PastWork[],
  today: Readings,
  before: Readings | undefined,
  rows: readonly StepDownRow[] = STEP_DOWN_ROWS,
): StepDownRow[] {
  const risen = REGION_IDS.filter((region) => {
    const now = readRegion(today, region).sensitivity
    const then = before && readRegion(before, region).sensitivity
    return now !== undefined && then !== undefined && now > then
  })
  return rows.filter(({ rule, regions }) =>
    rule === 'took-badly' ? lastTaken(past) === 'badly' : risen.length >= (regions ?? 1),
  )
}

/** A verdict with today's plan one rung down; once, however many reasons there are. */
export function steppedDown(verdict: Verdict, reasons: readonly StepDownRow[]): Verdict {
  const [strictest] = reasons
  if (!strictest) return verdict
  return {
    ...verdict,
    bars: [...verdict.bars, ...stepDownBars(reasons)],
    limit: together(verdict.limit, strictest.limit),
    limitRules: [
      ...verdict.limitRules,
      ...reasons.map(({ rule, sentence, limit: own }) => ({ rule, sentence, limit: own })),
    ],
  }
}

/** What Ask says of it, and what the planner leaves out. */
export const stepDownBars = (reasons: readonly StepDownRow[]): Bar[] =>
  reasons.map(({ rule, families, sentence, source }) => ({
    rule,
    does: families.length > 0 ? 'prevents' : 'restricts',
    families,
    regions: families.length > 0 ? REGION_IDS : [],
    sentence,
    reason: 'skin that had too much wants less',
    lifts: 'date',
    source,
  }))
