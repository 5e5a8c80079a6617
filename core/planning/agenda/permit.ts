import { ADAPTATIONS } from '../../catalogue/skin/adaptations'
import { LEAST_SHARE, REGION_SHARE, STANDARD_FROM_MINUTES } from '../../catalogue/rules/value'
import { techniqueToday } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import type { FamilyId } from '../../catalogue/kinds'
import { GROUPS } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import { MOST_GRADE } from '../../skin/readings'
import { mayBeStopped } from '../../screening/verdict/breakout'
import { withSkin } from '../../screening/verdict/skin'
import type { Profile } from '../../skin/profile'
import type { Why } from '../../catalogue/techniques/step'
import type { PlanInput } from '../input'
import { isSensitive } from '../today/adapt'
import type { Allow, Allowance } from '../today/allowance'
import { allowances } from '../today/allowed'
import { careful } from '../today/limits'
import { isNamed } from '../today/named'
import { needOf } from '../today/need'
import { activeIn, weakestActive } from './milder'
import {
  fullOf,
  leastOf,
  loadHere,
  mostLoad,
  mostThatFits,
  restOf,
  roomOn,
  type Taken,
} from './room'
import { restsInHouse } from './restsInHouse'
import { reachOf } from './reach'
import { handsMinutes, type Work } from './work'

/** A piece of work as this skin bears it: who does it, where, and for how long at most. */
export interface Permitted extends Taken {
  work: Work
  technique: TechniqueId
  regions: readonly RegionId[]
  /** How much of the whole work this is: never more than what it stands in for would have been. */
  share: number
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
  const strictest = careful === input ? allow : allowances(careful)
  const stopped = mayBeStopped(input.profile)
  const takesOff = agenda.some(({ part }) => part === 'work')
  const done: Permitted[] = []
  for (const work of agenda) {
    // After an exfoliation what rests comes off at the short end, also where that was given up.
    const own = permit(work, careful, allow, {
      poured,
      stopped,
      strictest,
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
  /** What today allows if what was not read is as tender as skin can be. */
  strictest: Allow
  /** What rests comes off at the short end. */
  short: boolean
}

/** What was not read of the face counts at its worst: tender, and it may mark easily. */
function asUnread(input: PlanInput): PlanInput {
  const { profile, verdict } = input
  const unread = GROUPS.face.filter((region) => profile.unread.includes(region))
  if (unread.length === 0) return input
  const tender = unread.map((id) => [id, { ...profile.regions[id], sensitivity: MOST_GRADE }])
  const worst: Profile = {
    ...profile,
    conditions: [...profile.conditions, 'marksEasily'],
    regions: { ...profile.regions, ...(Object.fromEntries(tender) as Profile['regions']) },
  }
  return { ...input, profile: worst, verdict: withSkin(verdict, worst) }
}

/** The first of the ladder that today bears, on the zones that none before it lost. */
function permit(work: Work, input: PlanInput, allow: Allow, around: Around): Permitted | undefined {
  const lost = new Set<RegionId>(input.profile.unread)
  let reach: readonly RegionId[] = work.regions
  const room = roomOn(reach, work, input, around.poured)
  let share = 1
  for (const [step, id] of work.ladder.entries()) {
    const allowance = allow(id)
    reach = reachOf(TECHNIQUES[id], reach)
    const short = around.short || step > 0
    const tender = reach.some(isSensitive(input.profile))
    const today = lengthOf(work, allowance, input, { short, tender })
    const taken =
      today && mostThatFits(id, reach, today, fullOf(work, id, input, short), room, input)
    loseLocal(lost, allowance, today)
    for (const region of reach) if (room.full.has(region)) lost.add(region)
    const regions = reach.filter((region) => !lost.has(region))
    share = Math.min(share, shareOf(id, taken ?? leastOf(id, input), input))
    if (taken && !isStopped(id, allow, reach, lost, around) && !isTooMuchAtFirst(id, work, input))
      return isWorth(work, reach, regions, input)
        ? { work, technique: id, regions, share, ...taken }
        : undefined
    // What stands in asks no more of a zone than this would have, as today has it.
    for (const region of reach)
      room.most.set(
        region,
        Math.min(
          room.most.get(region) ?? 0,
          loadHere(id, region, taken ?? leastOf(id, input), input, 'least'),
        ),
      )
  }
  return undefined
}

/** On a skin that was never worked on here, the mildest kind that serves (common practice). */
const isTooMuchAtFirst = (id: TechniqueId, { ladder }: Work, input: PlanInput): boolean =>
  careful(input) && !isNamed(id, input) && ladder.some((other) => rungOf(other) < rungOf(id))
const rungOf = (id: TechniqueId): number => TECHNIQUES[id].rung ?? 0

/** How much of its usual rest and passes a worker has. */
function shareOf(id: TechniqueId, { dwellMost, passes }: Taken, input: PlanInput): number {
  const { passes: own } = techniqueToday(id, input)
  const dwell = restsInHouse(id, input)
  const rested = dwell && dwellMost !== undefined ? dwellMost / dwell.latest : 1
  const passed = own && passes !== undefined ? passes / own.usual : 1
  return rested * passed
}

/** Zones with a trouble of their own, and those that bear less time than it takes. */
function loseLocal(lost: Set<RegionId>, { barred, shortOn }: Allowance, taken?: Taken): void {
  for (const [region, whys] of barred)
    if (whys.some(({ rule }) => !MILDER_RULES.has(rule))) lost.add(region)
  for (const [region, most] of shortOn) if (taken && most < taken.minutes) lost.add(region)
}

/** Not this worker at all: barred, asking too much of a zone, or reaching one that is left alone. */
function isStopped(
  id: TechniqueId,
  allow: Allow,
  reach: readonly RegionId[],
  lost: ReadonlySet<RegionId>,
  { stopped, strictest }: Around,
): boolean {
  const { never, technique } = allow(id)
  const blind = technique.wholeFace === true && GROUPS.face.some((region) => lost.has(region))
  const hidden = technique.families.some((family) => stopped.includes(family))
  return never.length > 0 || blind || hidden || tooStrong(reach, strictest(id))
}

/** A zone that is to be worked more mildly asks for the milder worker everywhere, whatever else bars it. */
const tooStrong = (reach: readonly RegionId[], { barred }: Allowance): boolean =>
  reach.some((region) => barred.get(region)?.some(({ rule }) => MILDER_RULES.has(rule)) === true)

/** Its usual time, or what today leaves of it in an express visit; undefined where it has none. */
function lengthOf(
  { long }: Work,
  { technique, minutesMostElsewhere: minutesMost, passesMost }: Allowance,
  input: PlanInput,
  end: { short: boolean; tender: boolean },
): Taken | undefined {
  const { minutes, passes } = technique
  const dwell = restsInHouse(technique.id, input)
  const express = input.slotMinutes < STANDARD_FROM_MINUTES
  const wanted = handsMinutes(technique, { express, long })
  const least = express ? minutes.least : (minutes.usual ?? minutes.least)
  const taken = [...minutes.choices, wanted].filter((own) => own <= minutesMost && own <= wanted)
  const most = Math.max(0, ...taken, ...(least <= minutesMost && taken.length === 0 ? [least] : []))
  if (most < least) return undefined
  if (passes && passesMost < 1) return undefined
  return {
    minutes: most,
    ...(dwell ? { dwellMost: restOf(dwell, { express, ...end }) } : {}),
    ...(passes ? { passes: Math.min(passes.usual, passesMost) } : {}),
  }
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

/**
 * Bottles of a kind with no more in them than the weakest in the house: another is never stronger. Where
 * that one may not be used, nor may the work.
 */
export const noStronger = (allowance: Allowance, input: PlanInput): Allowance => {
  const weakest = weakestActive(allowance.technique, input)
  if (!weakest) return allowance
  const most = activeIn(weakest)
  const products = allowance.products.filter(({ product }) => activeIn(product) <= most)
  if (products.length > 0 || allowance.products.length === 0) return { ...allowance, products }
  return { ...allowance, products, never: [...allowance.never, ONLY_STRONGER] }
}
const ONLY_STRONGER: Why = {
  rule: 'only-stronger',
  text: 'the mildest bottle may not be used today, and another is stronger',
}
