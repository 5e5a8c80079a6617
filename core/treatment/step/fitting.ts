import { MATURE_FROM } from '../../catalogue/rules/room'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { Fitting } from '../../catalogue/techniques/technique'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { Profile } from '../../skin/profile'
import type { RoomState } from '../fold/roomState'

/**
 * The head or electrode that is put on unasked, and what it goes over: the first of the row that is for this
 * client. Common practice: violet where the skin breaks out, orange on mature skin that does not.
 */
export function usualFitting(
  { technique, regions }: Pick<PlanStep, 'technique' | 'regions'>,
  profile: Pick<Profile, 'age' | 'regions'>,
  is: Fitting['is'] = 'head',
): Fitting | undefined {
  const spots = regions.some((region) => (profile.regions[region].spots ?? 0) > 0)
  const mature = (profile.age ?? 0) >= MATURE_FROM && !spots
  return TECHNIQUES[technique].fittings?.find(
    (own) => own.is === is && (own.for === undefined || mature),
  )
}

const those = (step: Pick<PlanStep, 'technique'>, is: Fitting['is']): readonly Fitting[] =>
  techniqueOf(step).fittings?.filter((own) => own.is === is) ?? []

/** The heads and electrodes of a step, or what it went over, in the order in which they were taken. */
export function fittingsOf(
  { fitted }: Pick<RoomState, 'fitted'>,
  step: Pick<PlanStep, 'key' | 'technique' | 'regions'>,
  profile: Pick<Profile, 'age' | 'regions'>,
  is: Fitting['is'] = 'head',
): Fitting[] {
  const all = those(step, is)
  const first = usualFitting(step, profile, is)
  const out = first ? [first] : []
  for (const { fitting, begun } of fitted[step.key] ?? []) {
    const own = all.find(({ id }) => id === fitting)
    if (!own) continue
    // What was on before anything was done touched nobody.
    if (!begun) out.pop()
    out.push(own)
  }
  return [...new Set(out)]
}

/** The one that is on now. */
export const fittingNow = (
  { fitted }: Pick<RoomState, 'fitted'>,
  step: Pick<PlanStep, 'key' | 'technique' | 'regions'>,
  profile: Pick<Profile, 'age' | 'regions'>,
  is: Fitting['is'] = 'head',
): Fitting | undefined => {
  const all = those(step, is)
  const last = (fitted[step.key] ?? []).findLast(({ fitting }) =>
    all.some(({ id }) => id === fitting),
  )
  return all.find(({ id }) => id === last?.fitting) ?? usualFitting(step, profile, is)
}
