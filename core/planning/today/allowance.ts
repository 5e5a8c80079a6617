import type { ConcernId } from '../../catalogue/kinds'
import type { Why } from '../../catalogue/techniques/step'
import type { LayoutId } from '../../catalogue/techniques/technique'
import { OUTSIDE_ORBIT } from '../../catalogue/techniques/reach'
import type { DoneAs } from '../../catalogue/techniques/ownWay'
import type { Technique, TechniqueId } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import { minutes, type Minutes } from '../../units'
import type { Choice } from './bottles'
import type { Range } from './deviceRange'

/** What one technique may do on this client today, and the rules behind it. */
export interface Allowance {
  technique: Technique
  /** Nothing anywhere: why. */
  never: readonly Why[]
  barred: ReadonlyMap<RegionId, readonly Why[]>
  minutesMost: number
  /** The same but for what single zones show, and what those shorten it to. */
  minutesMostElsewhere: number
  shortOn: ReadonlyMap<RegionId, number>
  /** What it takes today at least, however short the hour. */
  minutesLeast: number
  passesMost: number
  /** The device's range for this client and these hands; absent where there is no setting. */
  setting?: Range
  adapted: readonly Why[]
  /** Which of these rules shorten it. */
  shortened: readonly string[]
  /** Why it wants longer than its least, and why fewer passes, where something says so. */
  longerWhy?: Why
  passesWhy?: Why
  /** Liked more or less today, in the currency of a school's taste. */
  favour: number
  favourLayout: Readonly<Partial<Record<LayoutId, number>>>
  products: readonly Choice[]
  /** Its place on the agenda of the visit, where it has one. */
  work?: AgendaWork
}

/** What an intention wants of a technique: done just so, or not at all. */
export interface AgendaWork {
  intention: ConcernId
  /** What it is worth to the plan, in the currency of value. */
  worth: number
  /** What it does for the work that it stands beside, in words. */
  helps?: string
  /** Care may be longer, shorter and wider than this; work is done just so. */
  exact?: { regions: readonly RegionId[]; minutes: Minutes; dwellMost?: number; passes?: number }
}

/** What each technique may do today. */
export type Allow = (id: TechniqueId) => Allowance
/** The same of a step, in the way in which it names it. */
export type AllowStep = (way: TechniqueId | DoneAs) => Allowance

/** The minutes that a technique may take on some zones: what shows elsewhere does not shorten it. */
export const minutesMostOn = (
  { minutesMostElsewhere, shortOn, technique }: Allowance,
  regions: readonly RegionId[],
): Minutes => {
  // What reaches the whole face goes by the zone that bears it least.
  const met = technique.wholeFace ? [...shortOn.keys()] : regions
  return minutes(
    Math.min(
      minutesMostElsewhere,
      ...met.map((region) => shortOn.get(region) ?? technique.minutes.most),
    ),
  )
}

/** The first reason of this client that bars a region; the reach of the work is none of theirs. */
export const firstBar = ({ barred }: Pick<Allowance, 'barred'>): Why | undefined =>
  [...barred.values()].flat().find((why) => why.rule !== OUTSIDE_ORBIT.rule)
