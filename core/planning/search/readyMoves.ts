import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { feelsHeat, HEATED, loadOn, type Work } from '../../load/loads'
import { toTicks } from '../../units'
import type { Move, Option } from '../question/planCase'
import { numberOf } from './regionStates'

const REGION_NO = new Map(REGION_IDS.map((r, i) => [r, i]))

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
const WASH_MINUTES = 6
/** A connecting wash warms nothing, but it may load: counted at its longest before each move. */
export const WASH = REGION_IDS.map((r) =>
  loadOn(
    r,
    TECHNIQUES.secondCleanse,
    { handsMinutes: WASH_MINUTES, dwellMinutes: 0, passes: 0 },
    HEATED,
  ),
)

export const asksWarmth = (o: Option): boolean =>
  o.moves.some(
    (m) => TECHNIQUES[m.technique].needs.warmth !== undefined || feelsHeat(TECHNIQUES[m.technique]),
  )

const SETS = new WeakMap<readonly RegionId[], string>()
function regionsKey(regions: readonly RegionId[]): string {
  let key = SETS.get(regions)
  if (key === undefined) {
    key = regions.map((r) => REGION_NO.get(r)).join('.')
    SETS.set(regions, key)
  }
  return key
}
/**
 * What a move does to skin, clock and load: its bottle's name and what it is good for are not in
 * it.
 */
export const moveKey = (m: Move): string =>
  [
    m.technique,
    regionsKey(m.regions),
    m.minutes,
    m.dwell ?? '',
    m.passes ?? '',
    m.setting ?? '',
    m.freeAcid ?? '',
    m.calm ?? '',
  ].join(':')

/** A move made ready: what it loads is reckoned once, cool and warm. */
export function ready(m: Move): Ready {
  const t = TECHNIQUES[m.technique]
  const on = (heat: number) =>
    REGION_IDS.map((r) => (m.regions.includes(r) ? loadOn(r, t, workOf(m), heat) : 0))
  return {
    technique: numberOf(m.technique),
    names: m.regions,
    regions: m.regions.map((r) => REGION_NO.get(r) ?? 0),
    ticks: toTicks(m.minutes),
    cool: on(100),
    warm: on(HEATED),
    dwells: m.dwell !== undefined,
    calm: m.calm,
    heated: feelsHeat(t) && t.load !== undefined,
    bears: t.load !== undefined && m.regions.length > 0,
  }
}

/** The numbers a load hangs on, of one move. */
export const workOf = (
  m: Pick<Move, 'minutes' | 'dwell' | 'passes' | 'freeAcid' | 'setting'>,
): Work => ({
  handsMinutes: m.minutes,
  dwellMinutes: m.dwell ?? 0,
  passes: m.passes ?? 0,
  ...(m.freeAcid === undefined ? {} : { freeAcid: m.freeAcid }),
  ...(m.setting === undefined ? {} : { setting: m.setting }),
})
