import { ADAPTATIONS } from '../../catalogue/skin/adaptations'
import {
  LEAST_ROOM,
  LEAST_SHARE,
  REGION_SHARE,
  STANDARD_FROM_MINUTES,
} from '../../catalogue/rules/value'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { bottleRateOf } from '../../dosing/bottleRate'
import { freeAcidOf } from '../../dosing/freeAcid'
import type { FamilyId } from '../../catalogue/kinds'
import { GROUPS } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import { MOST_GRADE } from '../../skin/readings'
import { HEATED, loadOn } from '../../load/loads'
import { toleranceOf } from '../../load/tolerance'
import { mayBeStopped } from '../../screening/verdict/breakout'
import { withSkin } from '../../screening/verdict/skin'
import type { PlanInput } from '../input'
import type { DwellWindow } from '../../catalogue/techniques/technique'
import { isSensitive } from '../today/adapt'
import type { Allow, Allowance } from '../today/allowance'
import { needOf } from '../today/need'
import { activeIn, weakestActive } from './milder'
import { handsMinutes, reachOf, type Work } from './work'

/** A piece of work as this skin bears it: who does it, where, and for how long at most. */
export interface Permitted {
  work: Work
  technique: TechniqueId
  regions: readonly RegionId[]
  /** Hands-on minutes. */
  minutes: number
  /** Minutes on the skin at most, for what rests. */
  dwellMost?: number
  passes?: number
}

/**
 * Rows that ask for something milder: what speaks for the whole client, and sensitivity. What else a
 * zone shows is a local trouble, and that zone is left alone.
 */
const MILDER_RULES: ReadonlySet<string> = new Set(
  ADAPTATIONS.filter(
    ({ leaveOut, when }) => leaveOut && (!('reading' in when) || when.reading === 'sensitivity'),
  ).map(({ id }) => id),
)

/**
 * What of the agenda the skin bears. Each piece is a function of the bars on its own workers and of
 * the tolerance less what the agenda pours before it, whether that is done or not; so that a caution
 * more takes away, and what it takes from one piece gives nothing to another.
 */
export function permittedOf(input: PlanInput, allow: Allow, agenda: readonly Work[]): Permitted[] {
  const poured = new Map<RegionId, number>()
  const careful = asUnread(input)
  const stopped = mayBeStopped(input.profile)
  const takesOff = agenda.some(({ part }) => part === 'work')
  const done: Permitted[] = []
  for (const work of agenda) {
    // After an exfoliation what rests comes off at the short end, also where that was given up.
    const own = permit(work, careful, allow, {
      poured,
      stopped,
      short: takesOff && work.part !== 'work',
    })
    for (const region of work.regions)
      poured.set(region, (poured.get(region) ?? 0) + mostLoad(work, region, input))
    const beside = own?.work.beside
    if (own && (beside === undefined || done.some((other) => other.work.part === beside)))
      done.push(own)
  }
  return done
}

interface Around {
  /** What the agenda pours before it, hundredths. */
  poured: ReadonlyMap<RegionId, number>
  /** Kinds of work that what was not read might stop. */
  stopped: readonly FamilyId[]
  /** What rests comes off at the short end. */
  short: boolean
}

/** What was not read of the face counts at its worst: it may mark easily. */
function asUnread(input: PlanInput): PlanInput {
  const { profile, verdict } = input
  if (!GROUPS.face.some((region) => profile.unread.includes(region))) return input
  const marks = { ...profile, conditions: [...profile.conditions, 'marksEasily' as const] }
  return { ...input, verdict: withSkin(verdict, marks) }
}

/** The first of the ladder that today bears, on the zones that none before it lost. */
function permit(work: Work, input: PlanInput, allow: Allow, around: Around): Permitted | undefined {
  const lost = new Set<RegionId>(input.profile.unread)
  for (const [step, id] of work.ladder.entries()) {
    const allowance = allow(id)
    const reach = reachOf(TECHNIQUES[id], work.regions)
    const short = around.short || step > 0 || reach.some(isSensitive(input.profile))
    const taken = lengthOf(work, allowance, input, short)
    loseLocal(lost, allowance, taken)
    if (!taken || isStopped(allowance, reach, lost, around)) continue
    const room = roomOn(reach, work, input, around.poured)
    for (const region of reach) if (room.full.has(region)) lost.add(region)
    if (reach.some((region) => loadHere(id, region, taken, input) > room.of(region))) continue
    const regions = reach.filter((region) => !lost.has(region))
    if (!isWorth(work, reach, regions, input)) return undefined
    return { work, technique: id, regions, ...taken }
  }
  return undefined
}

/** Zones with a trouble of their own, and those that bear less time than it takes. */
function loseLocal(lost: Set<RegionId>, { barred, shortOn }: Allowance, taken?: Taken): void {
  for (const [region, whys] of barred)
    if (whys.some(({ rule }) => !MILDER_RULES.has(rule))) lost.add(region)
  for (const [region, most] of shortOn) if (taken && most < taken.minutes) lost.add(region)
}

/** Not this worker at all: barred, asking too much of a zone, or reaching one that is left alone. */
function isStopped(
  allowance: Allowance,
  reach: readonly RegionId[],
  lost: ReadonlySet<RegionId>,
  { stopped }: Around,
): boolean {
  const { never, technique } = allowance
  const blind = technique.wholeFace === true && GROUPS.face.some((region) => lost.has(region))
  const hidden = technique.families.some((family) => stopped.includes(family))
  return never.length > 0 || blind || hidden || tooStrong(reach, allowance)
}

/** A zone that is to be worked more mildly asks for the milder worker everywhere. */
const tooStrong = (reach: readonly RegionId[], { barred }: Allowance): boolean =>
  reach.some((region) => barred.get(region)?.every(({ rule }) => MILDER_RULES.has(rule)) === true)

/** Its usual time, or what today leaves of it in an express visit; undefined where it has none. */
function lengthOf(
  { long }: Work,
  { technique, minutesMostElsewhere: minutesMost, passesMost }: Allowance,
  { slotMinutes }: PlanInput,
  short: boolean,
): Pick<Permitted, 'minutes' | 'dwellMost' | 'passes'> | undefined {
  const { minutes, dwell, passes } = technique
  const express = slotMinutes < STANDARD_FROM_MINUTES
  const wanted = handsMinutes(technique, { express, long })
  const least = express ? minutes.least : (minutes.usual ?? minutes.least)
  const taken = [...minutes.choices, wanted].filter((own) => own <= minutesMost && own <= wanted)
  const most = Math.max(0, ...taken, ...(least <= minutesMost && taken.length === 0 ? [least] : []))
  if (most < least) return undefined
  if (passes && passesMost < 1) return undefined
  return {
    minutes: most,
    ...(dwell ? { dwellMost: restOf(dwell, express, short) } : {}),
    ...(passes ? { passes: Math.min(passes.usual, passesMost) } : {}),
  }
}

/** How long something rests: no longer than it must in an express visit, short on tender skin. */
function restOf({ earliest, latest, sensitive }: DwellWindow, express: boolean, short: boolean) {
  if (express) return Math.min(earliest, sensitive.latest)
  return short ? sensitive.latest : latest
}

/**
 * What each zone still bears after all that the agenda has before this work. A zone that has not even
 * room for the mildest that could do it is left alone, and the others are then worked as if it had just
 * that much: so no zone that falls out leaves room for something stronger.
 */
function roomOn(
  regions: readonly RegionId[],
  { ladder }: Work,
  input: PlanInput,
  poured: ReadonlyMap<RegionId, number>,
): { full: ReadonlySet<RegionId>; of: (region: RegionId) => number } {
  const mildest = ladder[ladder.length - 1] ?? ladder[0]
  const full = new Set<RegionId>()
  const room = new Map<RegionId, number>()
  for (const region of regions) {
    const { hundredths } = toleranceOf(input.profile, region, input.verdict.limit.tolerancePercent)
    const left = hundredths - input.residual[region] - (poured.get(region) ?? 0)
    const least = loadHere(mildest, region, usualOf(mildest), input)
    const little = least === 0 ? 0 : Math.max(LEAST_ROOM, least)
    if (least > 0 && left < little) full.add(region)
    const unread = input.profile.unread.includes(region)
    room.set(region, unread ? little : Math.max(left, little))
  }
  return { full, of: (region) => room.get(region) ?? 0 }
}

type Taken = Pick<Permitted, 'minutes' | 'dwellMost' | 'passes'>
/** A technique at the most that it is planned with. */
function usualOf(id: TechniqueId): Taken {
  const { minutes, dwell, passes } = TECHNIQUES[id]
  return {
    minutes: minutes.usual ?? minutes.choices[minutes.choices.length - 1] ?? minutes.most,
    ...(dwell ? { dwellMost: dwell.latest } : {}),
    ...(passes ? { passes: passes.usual } : {}),
  }
}

function loadHere(id: TechniqueId, region: RegionId, taken: Taken, input: PlanInput): number {
  const technique = TECHNIQUES[id]
  const bottle = weakestActive(technique, input)
  return loadOn(
    region,
    technique,
    {
      handsMinutes: taken.minutes,
      dwellMinutes: Math.min(taken.dwellMost ?? 0, technique.dwell?.sensitive.latest ?? 0),
      passes: taken.passes ?? 0,
      ...(technique.setting ? { setting: technique.setting.start } : {}),
      ...(bottle ? { freeAcid: freeAcidOf(bottle), bottleRate: bottleRateOf(bottle) } : {}),
    },
    HEATED,
  )
}

/** What a piece of work could pour at the most, whoever of its ladder does it. */
function mostLoad({ ladder, long }: Work, region: RegionId, input: PlanInput): number {
  const express = input.slotMinutes < STANDARD_FROM_MINUTES
  return Math.max(
    ...ladder.map((id) => {
      const technique = TECHNIQUES[id]
      if (!reachOf(technique, [region]).includes(region)) return 0
      return loadHere(
        id,
        region,
        {
          minutes: handsMinutes(technique, { express, long }),
          ...(technique.dwell ? { dwellMost: technique.dwell.latest } : {}),
          ...(technique.passes ? { passes: technique.passes.usual } : {}),
        },
        input,
      )
    }),
  )
}

/** Where the zones that ask most are lost, the work goes, and does not move to what is left over. */
function isWorth(
  { intention, asked }: Work,
  reach: readonly RegionId[],
  open: readonly RegionId[],
  { profile }: PlanInput,
): boolean {
  /** What was not read may ask the most. */
  const asks = (region: RegionId) =>
    profile.unread.includes(region) ? MOST_GRADE : needOf(profile, intention, region)
  const sum = (regions: readonly RegionId[]) =>
    regions.reduce((total, region) => total + REGION_SHARE[region] * (asked ? asks(region) : 1), 0)
  return open.length > 0 && sum(open) >= sum(reach) * LEAST_SHARE
}

/** Bottles of a kind with no more in them than the weakest in the house: another is never stronger. */
export const noStronger = (allowance: Allowance, input: PlanInput): Allowance => {
  const weakest = weakestActive(allowance.technique, input)
  if (!weakest) return allowance
  const most = activeIn(weakest)
  return {
    ...allowance,
    products: allowance.products.filter(({ product }) => activeIn(product) <= most),
  }
}
