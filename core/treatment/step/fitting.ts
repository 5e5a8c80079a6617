import { MATURE_FROM } from '../../catalogue/rules/room'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { Fitting } from '../../catalogue/techniques/technique'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { Profile } from '../../skin/profile'
import type { RoomState } from '../fold/roomState'

/**
 * The head or electrode that is put on unasked: the first of the row that is for this client. Common
 * practice: violet where the skin breaks out, orange on mature skin that does not.
 */
export function usualFitting(
  { technique, regions }: Pick<PlanStep, 'technique' | 'regions'>,
  profile: Pick<Profile, 'age' | 'regions'>,
): Fitting | undefined {
  const spots = regions.some((region) => (profile.regions[region].spots ?? 0) > 0)
  const mature = (profile.age ?? 0) >= MATURE_FROM && !spots
  return TECHNIQUES[technique].fittings?.find((own) => own.for === undefined || mature)
}

/** The heads and electrodes of a step in the order in which they were put on. */
export function fittingsOf(
  { fitted }: Pick<RoomState, 'fitted'>,
  step: Pick<PlanStep, 'key' | 'technique' | 'regions'>,
  profile: Pick<Profile, 'age' | 'regions'>,
): Fitting[] {
  const all = techniqueOf(step).fittings ?? []
  const first = usualFitting(step, profile)
  const put = (fitted[step.key] ?? []).flatMap((id) => all.find((own) => own.id === id) ?? [])
  // What was put on before anything was done with it is not counted twice.
  return [...new Set(first ? [first, ...put] : put)]
}

/** The one that is on now. */
export const fittingNow = (
  { fitted }: Pick<RoomState, 'fitted'>,
  step: Pick<PlanStep, 'key' | 'technique' | 'regions'>,
  profile: Pick<Profile, 'age' | 'regions'>,
): Fitting | undefined => {
  const last = (fitted[step.key] ?? []).at(-1)
  const all = techniqueOf(step).fittings ?? []
  return all.find(({ id }) => id === last) ?? usualFitting(step, profile)
}
