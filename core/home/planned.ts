import { HOME_POURINGS, HOME_REGIONS } from '../catalogue/consultation/home'
import { NIGHTS } from '../catalogue/home/nightRows'
import type { Poured } from '../load/ledger'
import type { HomeWishes } from './asked'
import { eveningOf } from './evenings'
import type { HomeRoutine } from './routine'
import { pouredBy } from './wished'

/** A version of a routine, from when on it was in force. */
interface InForce {
  /** Milliseconds since 1970. */
  at: number
  wishes: HomeWishes
  routine: HomeRoutine
}

/**
 * The evenings that routines had planned before a moment, as pourings: each version until the next one
 * took its place. Where the client says what was done, that counts instead (`visit/today`).
 * @param versions the latest first
 */
export function plannedPourings(
  versions: readonly InForce[],
  before: number,
  timeZone: string,
): Poured[] {
  return versions.flatMap(({ at, wishes, routine }, place) => {
    const end = Math.min(before, versions[place - 1]?.at ?? before)
    return routine.nights.flatMap(({ day, id }): Poured[] => {
      const moment = eveningOf(day, timeZone)
      const wish = wishes.nights.find((own) => own.id === id)
      const finding = wish && NIGHTS[wish.id].finding
      if (!wish || finding === undefined || moment < at || moment >= end) return []
      const label = HOME_POURINGS.find((row) => row.finding === finding)?.label ?? ''
      const loads = Object.fromEntries(HOME_REGIONS.map((region) => [region, pouredBy(wish)]))
      return [{ at: moment, label: `${label}, planned`, loads, planned: finding }]
    })
  })
}
