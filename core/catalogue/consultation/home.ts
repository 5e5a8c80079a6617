import { COMMON_PRACTICE } from '../kinds'
import type { FindingId } from './findings'
import type { RegionId } from '../../face/zones'

/**
 * What one evening at home pours into the basins, hundredths a region. House scale: adjust it to
 * your room.
 */
interface HomePouring {
  finding: FindingId
  label: string
  hundredths: number
  regions: readonly RegionId[]
  source: string
}
/** Where what is used at home goes on: the face, not the eyes. */
export const HOME_REGIONS: readonly RegionId[] = [
  'forehead',
  'temples',
  'nose',
  'cheekL',
  'cheekR',
  'mouth',
  'chin',
  'jawL',
  'jawR',
]
const row = (finding: FindingId, label: string, hundredths: number): HomePouring => ({
  finding,
  label,
  hundredths,
  regions: HOME_REGIONS,
  source: `${COMMON_PRACTICE}; house scale`,
})
export const HOME_POURINGS: readonly HomePouring[] = [
  row('retinoid', 'retinoid at home', 40),
  row('homeAcid', 'acid at home', 60),
  row('homeScrub', 'scrub at home', 60),
]
