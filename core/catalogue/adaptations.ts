import { COMMON_PRACTICE, type ConcernId } from './kinds'
import type { TechniqueId } from './technique'

/** What a read region must show for an adaptation to apply there. */
export interface SkinTest { reading: 'sensitivity' | 'redness' | 'water' | 'oil' | 'congestion', atLeast?: number, atMost?: number }

/** "If the skin is so, then the technique is so": each row changes one technique and says why. */
export interface Adaptation {
  id: string
  technique: TechniqueId
  when: SkinTest | { ageFrom: number }
  /** Hands-on minutes at most, if the test is met anywhere the technique reaches. */
  minutesMost?: number
  passesMost?: number
  /** Regions that meet the test are left out. */
  leaveOut?: true
  sentence: string
  source: string
}

const row = (r: Omit<Adaptation, 'source'>): Adaptation => ({ ...r, source: COMMON_PRACTICE })

export const ADAPTATIONS: readonly Adaptation[] = [
  row({ id: 'steam-sensitive', technique: 'steam', when: { reading: 'sensitivity', atLeast: 2 }, minutesMost: 5, sentence: 'sensitive skin: steam short and further away' }),
  row({ id: 'steam-reddens', technique: 'steam', when: { reading: 'redness', atLeast: 1 }, minutesMost: 3, sentence: 'reddens easily: steam 3 min' }),
  row({ id: 'steam-mature', technique: 'steam', when: { ageFrom: 60 }, minutesMost: 5, sentence: 'thin skin: steam short' }),
  row({ id: 'grain-sensitive', technique: 'grain', when: { reading: 'sensitivity', atLeast: 2 }, leaveOut: true, sentence: 'sensitive: enzyme rather than grains' }),
  row({ id: 'grain-reddens', technique: 'grain', when: { reading: 'redness', atLeast: 1 }, minutesMost: 1, sentence: 'pinks easily: grains for a minute at most' }),
  row({ id: 'grain-mature', technique: 'grain', when: { ageFrom: 60 }, minutesMost: 0.5, sentence: 'thin skin: grains for half a minute' }),
  row({ id: 'tip-sensitive', technique: 'tip', when: { reading: 'sensitivity', atLeast: 2 }, passesMost: 1, sentence: 'sensitive: lowest vacuum, one pass' }),
  row({ id: 'tip-very-sensitive', technique: 'tip', when: { reading: 'sensitivity', atLeast: 3 }, leaveOut: true, sentence: 'very sensitive: no tip there' }),
  row({ id: 'tip-mature', technique: 'tip', when: { ageFrom: 60 }, passesMost: 1, sentence: 'thin skin: one pass' }),
  row({ id: 'clay-thirsty', technique: 'clay', when: { reading: 'water', atMost: 0 }, leaveOut: true, sentence: 'parched: no clay there' }),
  row({ id: 'clay-dry', technique: 'clay', when: { reading: 'oil', atMost: 1 }, leaveOut: true, sentence: 'little oil: no clay there' }),
  row({ id: 'massage-mature', technique: 'massage', when: { ageFrom: 70 }, minutesMost: 10, sentence: 'thin skin: a shorter, lighter massage' }),
]

/** How much of a concern a region shows, 0–4, from its readings. `null` readings stand for what hands cannot read on this scale. */
export const CONCERN_NEED: Readonly<Record<ConcernId, { reading: 'oil' | 'water' | 'redness' | 'congestion', invert?: true } | { constant: number }>> = {
  dehydration: { reading: 'water', invert: true }, congestion: { reading: 'congestion' }, shine: { reading: 'oil' }, redness: { reading: 'redness' },
  dullness: { constant: 2 }, firmness: { constant: 2 }, rest: { constant: 3 },
}

/** Weight of a concern by the rank the client gave it. */
export const RANK_WEIGHTS: readonly number[] = [100, 60, 40, 25, 15]
/** Diminishing return on a concern's effect: slope by segment, never zero. */
export const RETURNS: readonly { upTo: number, slope: number }[] = [{ upTo: 40, slope: 4 }, { upTo: 90, slope: 2 }, { upTo: Number.MAX_SAFE_INTEGER, slope: 1 }]
/** Share of the whole that each region counts, per cent; work away from the face counts `BODY_SHARE`. */
export const REGION_SHARE = { forehead: 13, temples: 5, eyes: 6, nose: 7, cheekL: 15, cheekR: 15, mouth: 4, chin: 6, jawL: 6, jawR: 6, neck: 10, decollete: 7 } as const
export const BODY_SHARE = 40
