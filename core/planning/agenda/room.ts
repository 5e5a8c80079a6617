import { LEAST_ROOM, STANDARD_FROM_MINUTES } from '../../catalogue/rules/value'
import type { DwellWindow } from '../../catalogue/techniques/technique'
import { techniqueToday } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import { HEATED, loadOn } from '../../load/loads'
import { toleranceOf } from '../../load/tolerance'
import type { PlanInput } from '../input'
import { poursOf, weakestActive } from './milder'
import { restsInHouse, shortEnd } from './restsInHouse'
import { reachOf } from './reach'
import { handsMinutes, type Work } from './work'

/** How long a worker is at it: hands-on minutes, minutes on the skin at most, passes. */
export interface Taken {
  minutes: number
  dwellMost?: number
  passes?: number
}

/** What zones still bear of a piece of work, hundredths. */
export interface Room {
  /** Not even the mildest that could do it. */
  full: ReadonlySet<RegionId>
  most: Map<RegionId, number>
}

/**
 * As long, and with as many passes, as the zones have room for: reckoned from its usual time, also
 * where today has it shorter, so that what a caution takes from one worker lets no stronger one in.
 */
export function mostThatFits(
  id: TechniqueId,
  reach: readonly RegionId[],
  today: Taken,
  full: Taken,
  { most }: Room,
  input: PlanInput,
): Taken | undefined {
  const least = leastOf(id, input)
  const fits = (taken: Taken) =>
    reach.every((region) => loadHere(id, region, taken, input) <= (most.get(region) ?? 0))
  let own = full
  while (!fits(own)) {
    const less = {
      ...own,
      ...down('dwellMost', own, least),
      ...down('passes', own, least),
    }
    if (less.dwellMost === own.dwellMost && less.passes === own.passes) return undefined
    own = less
  }
  const smaller = (key: 'dwellMost' | 'passes') =>
    today[key] === undefined ? {} : { [key]: Math.min(today[key], own[key] ?? today[key]) }
  return { minutes: today.minutes, ...smaller('dwellMost'), ...smaller('passes') }
}
/** One less of something, down to its least. */
function down(key: 'dwellMost' | 'passes', { [key]: own }: Taken, { [key]: least }: Taken) {
  return own === undefined || least === undefined ? {} : { [key]: Math.max(least, own - 1) }
}

/** The least of a technique that is worth the doing. */
export function leastOf(id: TechniqueId, input: PlanInput): Taken {
  const { minutes, passes } = techniqueToday(id, input)
  const dwell = restsInHouse(id, input)
  return {
    minutes: minutes.least,
    ...(dwell ? { dwellMost: dwell.earliest } : {}),
    ...(passes ? { passes: 1 } : {}),
  }
}

/**
 * How long something rests: no longer than it must in an express visit, at the short end where it
 * stands in for something else or comes after an exfoliation. Less than its label asks is for tender
 * skin alone: on any other it would not have worked.
 */
export function restOf(
  window: DwellWindow,
  { express, short, tender = false }: { express: boolean; short: boolean; tender?: boolean },
) {
  const { earliest, latest, sensitive } = window
  if (tender) return express ? Math.min(earliest, sensitive.latest) : sensitive.latest
  if (express) return earliest
  return short ? shortEnd(window) : latest
}

/**
 * What each zone still bears after all that the agenda has before this work. A zone that has not even
 * room for the mildest that could do it is left alone, and the others are then worked as if it had just
 * that much: so no zone that falls out leaves room for something stronger.
 */
export function roomOn(
  regions: readonly RegionId[],
  work: Work,
  input: PlanInput,
  poured: ReadonlyMap<RegionId, number>,
): Room {
  const { ladder } = work
  const mildest = ladder[ladder.length - 1] ?? ladder[0]
  const itsLeast = fullOf(work, mildest, input, true)
  const full = new Set<RegionId>()
  const room = new Map<RegionId, number>()
  for (const region of regions) {
    const { hundredths } = toleranceOf(input.profile, region, input.verdict.limit.tolerancePercent)
    const left = hundredths - input.residual[region] - (poured.get(region) ?? 0)
    const least = loadHere(mildest, region, itsLeast, input)
    const little = least === 0 ? 0 : Math.max(LEAST_ROOM, least)
    if (least > 0 && left < little) full.add(region)
    const unread = input.profile.unread.includes(region)
    room.set(region, unread ? little : Math.max(left, little))
  }
  return { full, most: room }
}

/** What a worker asks of a zone in heated skin, hundredths; its device at the start, or at its least. */
export function loadHere(
  id: TechniqueId,
  region: RegionId,
  taken: Taken,
  input: PlanInput,
  dial: 'start' | 'least' = 'start',
): number {
  const technique = techniqueToday(id, input)
  const bottle = weakestActive(technique, input)
  return loadOn(
    region,
    technique,
    {
      handsMinutes: taken.minutes,
      dwellMinutes: taken.dwellMost ?? 0,
      passes: taken.passes ?? 0,
      ...(technique.setting ? { setting: technique.setting[dial] } : {}),
      ...(bottle ? poursOf(bottle) : {}),
    },
    HEATED,
  )
}

/** What a piece of work could pour at the most, whoever of its ladder does it. */
export function mostLoad(work: Work, region: RegionId, input: PlanInput): number {
  return Math.max(
    ...work.ladder.map((id, step) =>
      reachOf(TECHNIQUES[id], [region]).includes(region)
        ? loadHere(id, region, fullOf(work, id, input, step > 0), input)
        : 0,
    ),
  )
}

/** A worker of a piece at all that this hour could have it for, whatever the skin. */
export function fullOf({ long }: Work, id: TechniqueId, input: PlanInput, short: boolean): Taken {
  const { passes } = techniqueToday(id, input)
  const dwell = restsInHouse(id, input)
  const express = input.slotMinutes < STANDARD_FROM_MINUTES
  return {
    minutes: handsMinutes(techniqueToday(id, input), { express, long }),
    ...(dwell ? { dwellMost: restOf(dwell, { express, short }) } : {}),
    ...(passes ? { passes: passes.usual } : {}),
  }
}
