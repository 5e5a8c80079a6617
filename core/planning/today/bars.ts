import type { Technique } from '../../catalogue/techniques/techniques'
import type { Bar, Verdict } from '../../screening/verdict/verdict'

/** Bars that stop some work; those that only restrict it are limits by now. */
export const stopping = ({ bars }: Pick<Verdict, 'bars'>): Bar[] =>
  bars.filter((bar) => bar.does !== 'restricts')

/** Whether a bar speaks of a technique: of its kind of work, or of whatever touches the skin. */
export const meets = (
  { families }: Pick<Bar, 'families'>,
  technique: Pick<Technique, 'families' | 'groups' | 'connects'>,
): boolean =>
  families.some((family) => technique.families.includes(family)) ||
  (families.includes('touch') && technique.groups.length > 0 && !technique.connects?.handsOff)
