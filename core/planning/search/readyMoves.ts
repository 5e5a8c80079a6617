import { CLEANSE_AGAIN } from '../../catalogue/techniques/roles'
import { LONGEST_CHAIN } from '../steps/mend'
import { ALL_PERCENT, toTicks } from '../../units'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { feelsHeat, HEATED, loadOn, type Work } from '../../load/loads'
import type { Move, Option } from '../question/planCase'
import { numberOf } from './regionStates'

const REGION_NO = new Map(REGION_IDS.map((region, i) => [region, i]))

/** A move ready to be done on any skin: what it loads on each of its regions, cool and warm. */
export interface Ready {
  technique: number
  names: readonly RegionId[]
  regions: readonly number[]
  ticks: number
  cool: readonly number[]
  warm: readonly number[]
  dwells: boolean
  calm: Move['calm']
  heated: boolean
  bears: boolean
}
/** A chain of connecting washes at its longest. */
const WASH_MINUTES = LONGEST_CHAIN * (TECHNIQUES[CLEANSE_AGAIN].connects?.minutes ?? 0)
/** A connecting wash warms nothing, but it may load: counted at its longest before each move. */
export const WASH = REGION_IDS.map((region) =>
  loadOn(
    region,
    TECHNIQUES[CLEANSE_AGAIN],
    { handsMinutes: WASH_MINUTES, dwellMinutes: 0, passes: 0 },
    HEATED,
  ),
)

export const asksWarmth = (option: Option): boolean =>
  option.moves.some(
    (move) =>
      TECHNIQUES[move.technique].needs.warmth !== undefined ||
      feelsHeat(TECHNIQUES[move.technique]),
  )

const SETS = new WeakMap<readonly RegionId[], string>()
function regionsKey(regions: readonly RegionId[]): string {
  let key = SETS.get(regions)
  if (key === undefined) {
    key = regions.map((region) => REGION_NO.get(region)).join('.')
    SETS.set(regions, key)
  }
  return key
}
/**
 * What a move does to skin, clock and load: its bottle's name and what it is good for are not in
 * it.
 */
export const moveKey = (move: Move): string =>
  [
    move.technique,
    regionsKey(move.regions),
    move.minutes,
    move.dwell ?? '',
    move.passes ?? '',
    move.setting ?? '',
    move.freeAcid ?? '',
    move.bottleRate ?? '',
    move.calm ?? '',
  ].join(':')

/** A move made ready: what it loads is reckoned once, cool and warm. */
export function ready(move: Move): Ready {
  const row = TECHNIQUES[move.technique]
  const on = (heat: number) =>
    REGION_IDS.map((region) =>
      move.regions.includes(region) ? loadOn(region, row, workOf(move), heat) : 0,
    )
  return {
    technique: numberOf(move.technique),
    names: move.regions,
    regions: move.regions.map((region) => REGION_NO.get(region) ?? 0),
    ticks: toTicks(move.minutes),
    cool: on(ALL_PERCENT),
    warm: on(HEATED),
    dwells: move.dwell !== undefined,
    calm: move.calm,
    heated: feelsHeat(row) && row.load !== undefined,
    bears: (row.load !== undefined || (move.bottleRate ?? 0) > 0) && move.regions.length > 0,
  }
}

/** The numbers a load hangs on, of one move. */
export const workOf = (
  pick: Pick<Move, 'minutes' | 'dwell' | 'passes' | 'freeAcid' | 'bottleRate' | 'setting'>,
): Work => ({
  handsMinutes: pick.minutes,
  dwellMinutes: pick.dwell ?? 0,
  passes: pick.passes ?? 0,
  ...(pick.freeAcid === undefined ? {} : { freeAcid: pick.freeAcid }),
  ...(pick.bottleRate === undefined ? {} : { bottleRate: pick.bottleRate }),
  ...(pick.setting === undefined ? {} : { setting: pick.setting }),
})
