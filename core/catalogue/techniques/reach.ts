import { REGION_IDS, type RegionId } from '../../face/zones'
import { COMMON_PRACTICE, type FamilyId } from '../kinds'

/**
 * Work that stays outside the orbital bone, whoever the client is: what rubs, dissolves, pulls,
 * cuts, draws or carries current.
 */
export const OUTSIDE_ORBIT = {
  rule: 'reach',
  families: [
    'friction',
    'enzyme',
    'acid',
    'peel',
    'abrasion',
    'vacuum',
    'needling',
    'blade',
    'ultrasound',
    'extraction',
    'highFrequency',
    'microcurrent',
    'clay',
  ] satisfies FamilyId[],
  regions: ['eyes'] satisfies RegionId[],
  sentence: 'stays outside the orbital bone',
  source: COMMON_PRACTICE,
} as const

/** Regions where work of these families may never be done. */
export const outOfReach = (families: readonly FamilyId[]): readonly RegionId[] =>
  families.some((family) => OUTSIDE_ORBIT.families.some((own) => own === family))
    ? REGION_IDS.filter((region) => OUTSIDE_ORBIT.regions.some((own) => own === region))
    : []
