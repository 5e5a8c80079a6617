import { COMMON_PRACTICE } from '../catalogue/kinds'
import type { PastWork } from './rest'
import { lastTaken } from './had'
import { REGION_IDS } from '../face/zones'
import { readRegion, type Readings } from '../skin/readings'
import type { Limit } from '../catalogue/consultation/contraindications'
import type { Bar, Verdict } from '../screening/verdict'

/** One rung down: less load, one pass, steam short (house scale). */
const ONE_RUNG: Limit = { tolerancePercent: 75, passesMost: 1, steamMost: 5 }
/** Regions that must read more sensitive before it counts: one alone may be the light. */
const LEAST_REGIONS = 2

export interface StepDown {
  rule: string
  sentence: string
}

/**
 * Why today's plan goes one rung down: the last visit was too much, or the skin reads more
 * sensitive than it did then (common practice).
 */
export function stepsDown(
  past: readonly PastWork[],
  today: Readings,
  before: Readings | undefined,
): StepDown[] {
  const out: StepDown[] = []
  if (lastTaken(past) === 'badly')
    out.push({ rule: 'took-badly', sentence: 'Last time was too much: one rung down today.' })
  const risen = REGION_IDS.filter((region) => {
    const now = readRegion(today, region).sensitivity
    const then = before && readRegion(before, region).sensitivity
    return now !== undefined && then !== undefined && now > then
  })
  if (risen.length >= LEAST_REGIONS)
    out.push({
      rule: 'more-sensitive',
      sentence: 'More sensitive than last time: one rung down today.',
    })
  return out
}

/** A verdict with today's plan one rung down; once, however many reasons there are. */
export function steppedDown(verdict: Verdict, reasons: readonly StepDown[]): Verdict {
  if (reasons.length === 0) return verdict
  const { limit } = verdict
  return {
    ...verdict,
    limit: {
      tolerancePercent: Math.floor(
        (limit.tolerancePercent * (ONE_RUNG.tolerancePercent ?? 100)) / 100,
      ),
      passesMost: Math.min(limit.passesMost, ONE_RUNG.passesMost ?? limit.passesMost),
      steamMost: Math.min(limit.steamMost, ONE_RUNG.steamMost ?? limit.steamMost),
    },
    limitRules: [
      ...verdict.limitRules,
      ...reasons.map(({ rule, sentence }) => ({ rule, sentence, limit: ONE_RUNG })),
    ],
  }
}

/** What Ask says of it. */
export const stepDownBars = (reasons: readonly StepDown[]): Bar[] =>
  reasons.map(({ rule, sentence }) => ({
    rule,
    does: 'restricts',
    families: [],
    regions: [],
    sentence,
    reason: 'skin that had too much wants less',
    lifts: 'date',
    source: COMMON_PRACTICE,
  }))
