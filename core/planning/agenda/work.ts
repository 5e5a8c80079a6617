import { NO_POLICY, methodOf, type Method } from '../../catalogue/schools/schools'
import { INTENTIONS, type Line, type Part } from '../../catalogue/rules/intentions'
import { ONLY_WHERE_NAMED } from '../../catalogue/rules/restraint'
import {
  ASKS_FROM,
  CONNECTING,
  EFFECT_LIKING,
  MOST_BESIDE_SHARE,
  STANDARD_FROM_MINUTES,
} from '../../catalogue/rules/value'
import { CONCERN_IDS, type ConcernId } from '../../catalogue/kinds'
import { floorOf, hasOccasion, stageRank } from '../../catalogue/techniques/stages'
import { deviceOf, techniqueToday } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type Technique, type TechniqueId } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { PlanInput } from '../input'
import { isChosen, isNamed, namedOnly } from '../today/named'
import { needOf, thatAsk } from '../today/need'
import { intentionsOf, type Intended } from './intentions'
import { isWork, ladderOf, weakestActive } from './milder'
import { isAsBroad, reachOf, shareOf } from './reach'
import { restReserved } from './restsInHouse'

/** One piece of work that the hour holds, before anything is asked about what the skin may bear. */
export interface Work {
  intention: ConcernId
  /** Place of its intention, from nought (before that: named), and of its line within it. */
  rank: number
  place: number
  part: Part
  /** What does it, and what may stand in for it, each milder than the one before. */
  ladder: readonly [TechniqueId, ...TechniqueId[]]
  /** The zones that ask. */
  regions: readonly RegionId[]
  /** Takes all the time that it may have. */
  long: boolean
  /** Kept to the zones that show what the client minds. */
  asked: boolean
  /** The part of the visit that it stands beside. */
  beside?: Part
  /** What it does for that, in words. */
  helps?: string
}

/**
 * What a visit is worked for: a list of pieces of work in the order in which the minutes are given
 * out. It looks at what is asked for, at what the skin shows and at what the house has; never at a
 * caution, so that no caution can put something on it.
 */
export function agendaOf(input: PlanInput): Work[] {
  const out: Work[] = []
  let left = input.slotMinutes - floorMinutes(input)
  for (const work of allWork(input)) {
    // What is laid beside a mask that is there already rests in its minutes.
    const beside = work.part === 'mask' && out.some(({ part }) => part === 'mask')
    const takes = beside ? 0 : reserveOf(work, input)
    if (takes > left) continue
    left -= takes
    out.push(work)
  }
  return out
}

/** Every piece of work that an intention could have, the first intention's first. */
function allWork(input: PlanInput): Work[] {
  const method = methodOf(input.school, input.policy)
  const out = namedWork(input)
  intentionsOf(input).forEach((intended, rank) => {
    INTENTIONS[intended.id].lines.forEach((line, place) => {
      const main = out.find(
        ({ part, ladder: [id] }) =>
          part === line.beside && (line.before === undefined || line.before.includes(id)),
      )
      if (line.beside !== undefined && !main) return
      // What rests and loosens softens as well; a minute of warmth before the extraction does then.
      const softened = out.some(({ part, ladder: [id] }) => part === 'work' && TECHNIQUES[id].dwell)
      if (line.part === 'soften' && line.beside === 'takeOut' && softened) return
      // Skin that was worked is not warmed once more for the hands.
      if (line.part === 'soften' && line.beside === 'hands' && out.some(takesOff)) return
      const work = workOf(input, method, intended, line, { rank, place, regions: main?.regions })
      if (work) addTo(out, work)
    })
  })
  return out.flatMap((work) => sparing(work, out))
}
const takesOff = ({ part }: Work): boolean => part === 'work' || part === 'takeOut'

/** Hands with oil leave out what was taken out just before. */
function sparing(work: Work, all: readonly Work[]): Work[] {
  if (work.part !== 'hands') return [work]
  const comesBefore = ({ ladder: [id] }: Work) => stageRank(id) < stageRank(work.ladder[0])
  const tender = all
    .filter((own) => own.part === 'takeOut' && comesBefore(own))
    .flatMap(({ regions }) => regions)
  const regions = work.regions.filter((id) => !tender.includes(id))
  return regions.length > 0 ? [{ ...work, regions }] : []
}

/** What was asked for by its name goes before all else, with whatever milder may stand in for it. */
function namedWork(input: PlanInput): Work[] {
  const names = [
    ...new Set([...(input.wanted ?? []), ...(input.named ?? []), ...hostsOfPins(input)]),
  ]
  return names.flatMap((id, place): Work[] => {
    const technique = techniqueToday(id, input)
    const found = lineOf(
      id,
      intentionsOf(input).map((own) => own.id),
    )
    if (!found || !isInHouse(technique, input)) return []
    const asks = thatAsk(technique, REGION_IDS, input)
    const maybe = REGION_IDS.filter((id) => asks.includes(id) || input.profile.unread.includes(id))
    const regions = reachOf(technique, maybe)
    if (regions.length === 0) return []
    const { intention, line } = found
    const others = line.workers.filter(
      (other) => other !== id && isInHouse(techniqueToday(other, input), input),
    )
    const ladder = ladderOf(id, others, input)
    return [
      {
        intention,
        rank: NAMED_RANK,
        place,
        part: line.part,
        ladder,
        regions,
        long: false,
        asked: false,
      },
    ]
  })
}

/** What a pinned step goes straight after, the first that the house does; none where one is pinned too. */
function hostsOfPins(input: PlanInput): TechniqueId[] {
  const { pins = [] } = input
  return pins.flatMap(({ technique }) => {
    const hosts = TECHNIQUES[technique].straightAfter ?? []
    if (pins.some((pin) => hosts.includes(pin.technique))) return []
    return hosts
      .filter((id) => isWork(TECHNIQUES[id]) && isInHouse(techniqueToday(id, input), input))
      .slice(0, 1)
  })
}

/** What is named stands before the first intention. */
const NAMED_RANK = -1

/** The line of work that a technique stands in: of today's intentions first. */
function lineOf(
  id: TechniqueId,
  today: readonly ConcernId[],
): { intention: ConcernId; line: Line } | undefined {
  const all = [...today, ...CONCERN_IDS.filter((own) => !today.includes(own))]
  return all
    .flatMap((intention) => INTENTIONS[intention].lines.map((line) => ({ intention, line })))
    .find(({ line }) => line.workers.includes(id))
}

/**
 * One exfoliation, one piece of hands, one lamp a visit: what a later intention wants of the same
 * kind goes to its zones with the same worker, where that serves it, or not at all.
 */
function addTo(out: Work[], work: Work): void {
  const same = out.findIndex(({ part }) => part === work.part && part !== 'mask')
  const had = out[same]
  // By zone, a later mask takes some of the face and leaves the rest to the one before it; most of
  // the face it leaves alone.
  const first = out.find(({ part, asked }) => part === 'mask' && !asked)
  if (first && work.part === 'mask' && work.asked && shareOf(work.regions) > MOST_BESIDE_SHARE)
    return
  if (!had) {
    if (work.part !== 'mask' || !out.some(({ ladder }) => ladder[0] === work.ladder[0]))
      out.push(work)
    return
  }
  if (work.ladder.includes(had.ladder[0]))
    out[same] = {
      ...had,
      regions: REGION_IDS.filter((id) => [...had.regions, ...work.regions].includes(id)),
    }
}

function workOf(
  input: PlanInput,
  method: Method,
  { id: intention }: Intended,
  line: Line,
  { regions, ...at }: Pick<Work, 'rank' | 'place'> & { regions: Work['regions'] | undefined },
): Work | undefined {
  const asking = regions ?? regionsAsking(input, intention, line)
  if (asking.length === 0) return undefined
  const usual = line.workers
    .filter((id) => isInHouse(techniqueToday(id, input), input))
    .filter((id) => isAsBroad(TECHNIQUES[id], line, asking))
    .filter((id) => reachOf(TECHNIQUES[id], asking).length > 0)
  const before = (id: TechniqueId) => input.within?.some(({ technique }) => technique === id)
  const first = (id: TechniqueId) => Number(isNamed(id, input)) + Number(before(id) ?? false)
  const liking = (id: TechniqueId) =>
    (TECHNIQUES[id].effects[intention] ?? 0) *
      EFFECT_LIKING[line.part === 'mask' ? 'mask' : 'work'] +
    (method.taste[id] ?? 0)
  const [chosen, ...others] = [...usual].sort(
    (one, other) => first(other) - first(one) || liking(other) - liking(one),
  )
  if (chosen === undefined) return undefined
  const ladder = ladderOf(chosen, others, input)
  return {
    intention,
    ...at,
    part: line.part,
    ladder,
    regions: asking,
    long: line.long === true && at.rank === 0,
    asked: line.where === 'asked',
    ...(line.beside === undefined ? {} : { beside: line.beside }),
    ...(line.helps === undefined ? {} : { helps: line.helps }),
  }
}

/**
 * The zones that a line is for: those showing what the client minds, where it is kept to that. What
 * was not read might: it is counted in here, and left alone once it comes to what the skin bears.
 */
function regionsAsking(
  { profile, within }: PlanInput,
  intention: ConcernId,
  { where, workers }: Line,
): RegionId[] {
  if (where !== 'asked') return [...REGION_IDS]
  const planned = within?.filter(({ technique }) => workers.includes(technique))
  return REGION_IDS.filter(
    (id) =>
      !ONLY_WHERE_NAMED.includes(id) &&
      (profile.unread.includes(id) || needOf(profile, intention, id) >= ASKS_FROM) &&
      (planned === undefined || planned.some(({ regions }) => regions.includes(id))),
  )
}

/** The house does it, has the device and a bottle for it, and it has its occasion today. */
export function isInHouse(technique: Technique, input: PlanInput): boolean {
  const { policy = NO_POLICY, devices } = input
  const { product, id } = technique
  const device = deviceOf(technique)
  return (
    !policy.without.includes(id) &&
    hasOccasion(technique, input) &&
    isChosen(technique, input) &&
    (device === undefined || devices.includes(device.kind)) &&
    (product === undefined || weakestActive(technique, input) !== undefined) &&
    (!namedOnly(technique) || isNamed(id, input))
  )
}

/** Minutes of what every visit has, with what connects it. */
const floorMinutes = (input: PlanInput): number =>
  floorOf(input).reduce((sum, { first }) => {
    const { choices, least } = TECHNIQUES[first].minutes
    return sum + (choices[0] ?? least)
  }, CONNECTING)

/** Minutes kept for a piece of work: those of its longest way, so that a milder one always fits. */
function reserveOf({ ladder, regions, long }: Work, input: PlanInput): number {
  const express = input.slotMinutes < STANDARD_FROM_MINUTES
  return Math.max(
    ...ladder.map((id, place) => {
      const technique = techniqueToday(id, input)
      const { minutes, after, then } = technique
      const hands = handsMinutes(technique, { express, long })
      const least = express || !isWork(TECHNIQUES[id])
      const rests = restReserved(id, regions, { least, standIn: place > 0 }, input)
      const around = [after, then].reduce(
        (sum, other) => sum + (other ? TECHNIQUES[other].minutes.least : 0),
        0,
      )
      return Math.max(hands, minutes.least) + rests + around
    }),
  )
}

/** Hands-on minutes of a piece of work: the usual ones, the shortest in an express visit. */
export function handsMinutes(
  { minutes }: Technique,
  { express, long }: { express: boolean; long: boolean },
): number {
  const { choices, least, usual } = minutes
  if (express) return choices[0] ?? least
  if (long) return choices[choices.length - 1] ?? least
  return usual ?? choices[0] ?? least
}
