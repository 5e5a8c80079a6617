import { ZONES, type ZoneId } from '../face/zones'
import { beyondTheEye } from './halves'
import type { Grade } from './readings'

/**
 * The pore sweep: one fingertip drawn across the same spot with the same light pressure, once a week or at
 * each visit; pores catch the finger less as they clear. It says nothing of how sensitive the skin is.
 * Common practice.
 */
export interface PoreSweep {
  zone: ZoneId
  grade: Grade
}
/** The first sweep of this client, which all later ones are held against. ISO day. */
export interface SweepBaseline extends PoreSweep {
  day: string
}
/** Spots that are swept: flat, and where pores clog. */
export const SWEPT_ZONES: readonly ZoneId[] = ['nose', 'chin', 'forehead', 'cheekL', 'cheekR']
export const SWEEP_WORDS: Readonly<Record<Grade, string>> = {
  0: 'glides',
  1: 'catches here and there',
  2: 'catches often',
  3: 'catches all the way',
  4: 'stops the finger',
}

interface WithSweep {
  poreSweep?: PoreSweep
  sweepBaseline?: SweepBaseline
}
/** What today's sweep is held against: the first of this client; undefined at the first. */
export function baselineOf(
  today: WithSweep,
  last: { day: string; whole: WithSweep } | null,
): SweepBaseline | undefined {
  if (today.sweepBaseline) return today.sweepBaseline
  if (last?.whole.sweepBaseline) return last.whole.sweepBaseline
  return last?.whole.poreSweep ? { ...last.whole.poreSweep, day: last.day } : undefined
}

/**
 * What a sweep says beside the first one.
 * @param dayWords how a day is written
 * @example "clearer by 2 than on Tue 3 Mar 2026"
 */
export function sweepTrend(
  sweep: PoreSweep,
  baseline: SweepBaseline | undefined,
  dayWords: (day: string) => string,
): string {
  if (!baseline) return 'The first sweep: later ones are held against it.'
  const on = dayWords(baseline.day)
  if (baseline.zone !== sweep.zone)
    return `The first one, on ${on}, was on the ${ZONES[baseline.zone].name}: sweep there to compare.`
  const change = sweep.grade - baseline.grade
  if (!beyondTheEye(change)) return `As on ${on}: no difference beyond reading error.`
  return `${change < 0 ? 'Clearer' : 'Catches more'} by ${Math.abs(change)} than on ${on}.`
}
