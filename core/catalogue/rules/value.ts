import type { RegionId } from '../../face/zones'
import type { ConcernId } from '../kinds'

/**
 * How much of a concern a region shows, 0–4, from its readings; `unread` stands in where that
 * reading was not taken. A constant is what hands cannot read on this scale. What is local is
 * minded whole, however few zones show it.
 */
export const CONCERN_NEED: Readonly<
  Record<
    ConcernId,
    | { reading: 'oil' | 'water' | 'redness' | 'congestion'; invert?: true }
    | { reading: 'texture' | 'lines'; unread: number }
    | { reading: 'spots' | 'pigment'; unread: number; local: true }
    | { constant: number; only?: readonly RegionId[] }
  >
> = {
  dehydration: { reading: 'water', invert: true },
  congestion: { reading: 'congestion' },
  shine: { reading: 'oil' },
  redness: { reading: 'redness' },
  dullness: { reading: 'texture', unread: 2 },
  firmness: { reading: 'lines', unread: 2 },
  rest: { constant: 3 },
  breakouts: { reading: 'spots', unread: 1, local: true },
  marks: { reading: 'pigment', unread: 2, local: true },
  lines: { reading: 'lines', unread: 2 },
  puffyFace: {
    constant: 3,
    only: ['forehead', 'cheekL', 'cheekR', 'chin', 'jawL', 'jawR', 'neck'],
  },
  puffyEyes: { constant: 3, only: ['eyes', 'temples'] },
  tonight: { constant: 3 },
}

/** Weight of a concern by the rank the client gave it. */
export const RANK_WEIGHTS: readonly number[] = [100, 60, 40, 25, 15]
/** Diminishing return on a concern's effect: slope by segment, never zero. */
export const RETURNS: readonly { upTo: number; slope: number }[] = [
  { upTo: 40, slope: 4 },
  { upTo: 90, slope: 2 },
  { upTo: Number.MAX_SAFE_INTEGER, slope: 1 },
]
/**
 * Share of the whole that each region counts, per cent; work away from the face counts
 * `BODY_SHARE`.
 */
export const REGION_SHARE = {
  forehead: 13,
  temples: 5,
  eyes: 6,
  nose: 7,
  cheekL: 15,
  cheekR: 15,
  mouth: 4,
  chin: 6,
  jawL: 6,
  jawR: 6,
  neck: 10,
  decollete: 7,
} as const
export const BODY_SHARE = 40

/** From this need on, of 4, a region asks for work; below it it is left alone (house scale). */
export const ASKS_FROM = 2

/** A local concern counts as if it lay on at least this share of the whole, per cent. */
export const LEAST_LOCAL_SHARE = 20

/** The minutes of hands, arms or shoulders that count as the whole of it (house value). */
export const BODY_WHOLE_MINUTES = 10

/**
 * Brings a school's liking into the currency of value: two schools differ visibly, a first-ranked
 * concern still outweighs both.
 */
export const TASTE_SCALE = 4
/** A connecting step is a small turn of its own: this share of a main step's. */
export const LINK_SHARE = 1 / 4
/** A second pass takes half as long again: only the problem areas are gone over. */
export const SECOND_PASS_TIME = 1.5
/** Shorter than this a visit is express: only then a massage or steam is given short (house value). */
export const STANDARD_FROM_MINUTES = 45
/**
 * What a protocol names is worth more than anything an aim can add: it is done wherever this skin
 * and this hour allow it, as near to its minutes as may be.
 */
export const PROTOCOL_VALUE = { named: 1_000_000, perHalfMinute: 2000 } as const
/** From this effect on a technique is mainly for a concern; less comes along with it. */
export const MAINLY_FROM = 2
/** A zone that bears less than this, hundredths, is left alone by whatever asks something of it. */
export const LEAST_ROOM = 160
/** What is left of the zones that ask, by their need, below which the work is not worth doing. */
export const LEAST_SHARE = 1 / 2

/** Need × share × strength comes to this many times the currency of value. */
export const EFFECT_SCALE = 10
/** Lengths that a visit is compared at, minutes. */
export const LENGTHS = [
  { name: 'Express', slot: 30 },
  { name: 'Standard', slot: 60 },
  { name: 'Full', slot: 90 },
] as const
/** The lengths of the curve, minutes. */
export const CURVE = { from: 30, to: 90, step: 10 } as const
/** What has no room is tried with so much more, half minutes. */
export const MORE_ROOM_TICKS = 60

/** What reaches the whole face is worth it where so much of the whole asks, per cent (house value). */
export const BROAD_FROM_SHARE = 40
/** A mask beside an earlier intention's takes no more of the whole than this, per cent. */
export const MOST_BESIDE_SHARE = 40
/**
 * One grade of what a technique does for an intention, beside the school's liking of it; of masks
 * several do, and the school has more of a say.
 */
export const EFFECT_LIKING = { work: 300, mask: 100 } as const
/** Minutes of a visit that go to blotting, toning and waiting (house value). */
export const CONNECTING = 5
/**
 * What a piece of work on the agenda is worth: all of the first intention's before any of the
 * second's, and its own parts in their order; each outweighs whatever care can add.
 */
export const AGENDA_VALUE = {
  unit: 200_000,
  byRank: 16,
  byPlace: 2,
  mostRank: 2,
  mostPlace: 4,
} as const
