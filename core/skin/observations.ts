import { COMMON_PRACTICE } from '../catalogue/kinds'
import type { AnyReadingId, Grade, ZoneReading } from './readings'

/**
 * What a hand or an eye notices in one tap, and the grade it stands for. `least` and `most` only
 * raise or lower what was read before.
 */
export const OBSERVATION_IDS = [
  'thirsty',
  'tight',
  'pinks',
  'staysPink',
  'hot',
  'slick',
  'grainy',
  'rough',
  'paper',
  'tense',
  'tickle1',
  'tickle2',
  'tickle3',
] as const
export type ObservationId = (typeof OBSERVATION_IDS)[number]
interface Observation {
  id: ObservationId
  words: string
  sets: readonly { reading: AnyReadingId; least?: Grade; most?: Grade; exactly?: Grade }[]
  source: string
}
const row = (
  id: ObservationId,
  words: string,
  ...sets: Observation['sets'][number][]
): Observation => ({ id, words, sets, source: COMMON_PRACTICE })

export const OBSERVATIONS: readonly Observation[] = [
  row('thirsty', 'thirsty', { reading: 'water', most: 1 }),
  row('tight', 'feels tight', { reading: 'water', most: 1 }, { reading: 'sensitivity', least: 1 }),
  row('pinks', 'pinks under touch, fades', { reading: 'sensitivity', least: 1 }),
  row(
    'staysPink',
    'pinks and stays',
    { reading: 'sensitivity', least: 2 },
    { reading: 'redness', least: 1 },
  ),
  row('hot', 'hot to the hand', { reading: 'redness', least: 2 }),
  row('slick', 'slick under the finger', { reading: 'oil', least: 3 }),
  row('grainy', 'grainy under the finger', { reading: 'congestion', least: 2 }),
  row('rough', 'rough', { reading: 'texture', least: 3 }),
  row('paper', 'thin as paper', { reading: 'fragility', least: 3 }),
  row('tense', 'tense under the hand', { reading: 'tension', least: 2 }),
  row('tickle1', 'pores catch the finger a little', { reading: 'congestion', exactly: 1 }),
  row('tickle2', 'pores catch the finger', { reading: 'congestion', exactly: 2 }),
  row('tickle3', 'pores catch all the way', { reading: 'congestion', exactly: 3 }),
]

/**
 * A zone's reading with one observation laid on it: grades are raised or lowered to what was
 * noticed, never the other way.
 */
export function observe(before: ZoneReading | undefined, id: ObservationId): ZoneReading {
  const out: ZoneReading = { ...before }
  for (const { reading, least, most, exactly } of OBSERVATIONS.find(
    (observation) => observation.id === id,
  )?.sets ?? []) {
    const now = out[reading]
    if (exactly !== undefined) out[reading] = exactly
    else if (least !== undefined && (now === undefined || now < least)) out[reading] = least
    else if (most !== undefined && (now === undefined || now > most)) out[reading] = most
  }
  return out
}
