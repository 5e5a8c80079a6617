import { NODE_TICKS, NODES_FROM_MINUTES } from '../../catalogue/rules/room'
import {
  AFTER_BOTH_SIDES,
  AIM_OF,
  AT_NODES,
  DIRECTIONS,
  NODES,
  ORDERS,
  type AimOfStroke,
  type Direction,
  type NodeId,
} from '../../catalogue/techniques/directions'
import { STAYS_LONGER, type StaysLonger } from '../../catalogue/rules/byHand'
import type { PlanStep } from '../../catalogue/techniques/step'
import { MANNERS, type MannerId } from '../../catalogue/techniques/strokes'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { areaOf, nameRegions, REGION_NAMES } from '../../face/regions'
import { OTHER_SIDE, SIDE_NAMES, sideOf, type Side } from '../../face/sides'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Profile } from '../../skin/profile'
import { fromTicks, toTicks } from '../../units'

/** One place of a sequence: a zone or one half of it, or the nodes that are opened first and last. */
type Place = { region: RegionId; side?: Side } | { node: NodeId }
interface InSequence {
  place: Place
  /** Whole ticks; what is short comes to nought and is done along with its neighbour. */
  minutes: number
  say: string
}

/** What the strokes of a step are for; undefined where nothing is stroked. */
export const aimOf = ({ technique }: Pick<PlanStep, 'technique'>): AimOfStroke | undefined => {
  const { manner } = TECHNIQUES[technique]
  return manner === 'none' ? undefined : AIM_OF[manner]
}

/** Which way each zone of a step is stroked. */
export function directionsOf(step: PlanStep): Partial<Record<RegionId, Direction>> {
  const aim = aimOf(step)
  if (!aim) return {}
  return Object.fromEntries(
    step.regions.flatMap((region) => {
      const direction = DIRECTIONS[aim][region]
      return direction ? [[region, direction]] : []
    }),
  )
}

/** What the hand stays longer for, as each zone was read, 0–4; what was not read is none. */
type Found = Readonly<Partial<Record<RegionId, number>>>
/** By what the minutes of a step are shared out beside the area of its zones; undefined for most. */
function staysLonger({ technique }: Pick<PlanStep, 'technique'>): StaysLonger | undefined {
  const { stage, families } = TECHNIQUES[technique]
  return STAYS_LONGER.find(
    (row) => row.stage === stage || (row.family !== undefined && families.includes(row.family)),
  )
}
/** What the hand stays longer for in a step, as it was read, 0 to 4 by region; empty where it does not. */
export function foundFor(
  step: Pick<PlanStep, 'technique'>,
  { regions }: Pick<Profile, 'regions'>,
): Found {
  const on = staysLonger(step)?.on ?? []
  return Object.fromEntries(
    on.length === 0
      ? []
      : REGION_IDS.map((region) => [
          region,
          Math.max(...on.map((sign) => regions[region][sign] ?? 0)),
        ]),
  )
}

/** A zone of the sequence, or the half of it that lies on one side. */
interface Zone {
  region: RegionId
  side?: Side
}

/** The zones of a step in the order of its manner; one side after the other where it goes by sides. */
function zonesInOrder(step: PlanStep, manner: MannerId, first: Side): Zone[] {
  const { technique, regions, half } = step
  const order = ORDERS[manner].filter((region) => regions.includes(region))
  if (half || !TECHNIQUES[technique].bySides)
    return order.map((region) =>
      half && sideOf(region) === undefined ? { region, side: half } : { region },
    )
  const last = AFTER_BOTH_SIDES[manner] ?? []
  const onSide = (side: Side): Zone[] =>
    order.flatMap((region): Zone[] => {
      if (last.includes(region)) return []
      const own = sideOf(region)
      if (own === undefined) return [{ region, side }]
      return own === side ? [{ region }] : []
    })
  return [
    ...onSide(first),
    ...onSide(OTHER_SIDE[first]),
    ...order.filter((region) => last.includes(region)).map((region) => ({ region })),
  ]
}
/** "forehead, left half". */
const zoneName = ({ region, side }: Zone) =>
  `${REGION_NAMES[region]}${side ? `, ${SIDE_NAMES[side]} half` : ''}`

/**
 * The zones of a step in the order the hand takes them, with the minutes of each by its area; in a
 * massage also by the tension, in high frequency by the spots that were read there. What is said, drawn and timed of a step's way over the
 * face is read off here.
 * @param first the side that is worked first, where it goes by sides
 */
export function sequenceOf(step: PlanStep, found: Found = {}, first: Side = 'L'): InSequence[] {
  const { manner } = techniqueOf(step)
  if (manner === 'none') return []
  const zones = zonesInOrder(step, manner, first)
  const nodes = nodesOf(step, manner)
  const places = (AT_NODES[manner]?.opens ? 2 : 1) * nodes.length
  const ticks = toTicks(step.minutes) - places * NODE_TICKS
  const longer = staysLonger(step)
  const grade = (region: RegionId) => (longer ? (found[region] ?? 0) : 0)
  const weights = zones.map(
    ({ region, side }) =>
      (areaOf([region]) * (1 + (longer?.sharePerGrade ?? 0) * grade(region))) / (side ? 2 : 1),
  )
  const shares = shareOut(weights, Math.max(0, ticks))
  const node = (id: NodeId, words: string): InSequence => ({
    place: { node: id },
    minutes: fromTicks(NODE_TICKS),
    say: `${words} ${NODES[id].name}`,
  })
  return [
    ...(AT_NODES[manner]?.opens ? nodes.map((id) => node(id, 'Open the')) : []),
    ...zones.map((zone, at): InSequence => ({
      place: zone,
      minutes: fromTicks(shares[at] ?? 0),
      say: [
        `${zoneName(zone)}: ${MANNERS[manner].strokes[zone.region] ?? 'lightly'}`,
        ...(longer && grade(zone.region) >= longer.saidFrom ? [longer.says] : []),
      ].join('; '),
    })),
    ...[...nodes].reverse().map((id) => node(id, 'End at the')),
  ]
}

/** The nodes that a step opens or ends at: those that lie in its zones, where it is long enough for them. */
const nodesOf = ({ regions, minutes }: PlanStep, manner: MannerId): NodeId[] =>
  AT_NODES[manner] === undefined || minutes < NODES_FROM_MINUTES
    ? []
    : (['collarbone', 'ear'] as const).filter((id) => regions.includes(NODES[id].needs))

/** When the hand comes to the other side, minutes from the start; undefined where it goes by no sides. */
export function otherSideAt(step: PlanStep): number | undefined {
  if (!techniqueOf(step).bySides) return undefined
  let ran = 0
  let had: Side | undefined
  for (const { place, minutes } of sequenceOf(step)) {
    const side = 'region' in place ? (place.side ?? sideOf(place.region)) : undefined
    if (side !== undefined && had !== undefined && side !== had) return ran
    had = side ?? had
    ran += minutes
  }
  return undefined
}

/** Where the hand begins, how it goes on and where it ends, in one line; empty where that is one zone. */
export function orderWords(step: PlanStep): string {
  const { manner, bySides } = techniqueOf(step)
  if (manner === 'none') return ''
  const nodes = nodesOf(step, manner).map((id) => NODES[id].name)
  const zones = zonesInOrder(step, manner, 'L')
  const [from] = zones
  const to = zones.at(-1)
  const between =
    from && to && from.region !== to.region
      ? [`from ${REGION_NAMES[from.region]} to ${REGION_NAMES[to.region]}`]
      : []
  const words = [
    ...(AT_NODES[manner]?.opens && nodes.length > 0 ? [`open the ${nodes.join(' and the ')}`] : []),
    ...between,
    ...(bySides && otherSideAt(step) !== undefined ? ['one side, then the other'] : []),
    ...(nodes.length > 0 ? [`end at the ${nodes[0] ?? ''}`] : []),
    ...(MANNERS[manner].minds ? [MANNERS[manner].minds] : []),
  ].join('; ')
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** Whole ticks by weight, which come to exactly so many: the largest remainders get what is left. */
function shareOut(weights: readonly number[], ticks: number): number[] {
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  if (whole === 0) return []
  const exact = weights.map((weight) => (weight / whole) * ticks)
  const shares = exact.map(Math.floor)
  const left = ticks - shares.reduce((sum, share) => sum + share, 0)
  const remainder = (at: number) => (exact[at] ?? 0) - (shares[at] ?? 0)
  const byRemainder = weights
    .map((_, at) => at)
    .sort((one, other) => remainder(other) - remainder(one))
  for (const at of byRemainder.slice(0, Math.round(left))) shares[at] = (shares[at] ?? 0) + 1
  return shares
}

/**
 * The minutes of a step by zone, longest first, in words; nothing where none is stayed on longer.
 * Both sides of a pair that get the same are named once.
 */
export function shareWords(step: PlanStep, found: Found): string {
  if (!staysLonger(step)) return ''
  const ofZone = new Map<RegionId, number>()
  for (const { place, minutes } of sequenceOf(step, found))
    if ('region' in place) ofZone.set(place.region, (ofZone.get(place.region) ?? 0) + minutes)
  const byMinutes = new Map<number, RegionId[]>()
  for (const [region, minutes] of ofZone)
    if (minutes > 0) byMinutes.set(minutes, [...(byMinutes.get(minutes) ?? []), region])
  return [...byMinutes]
    .sort(([one], [other]) => other - one)
    .map(([minutes, regions]) => {
      const each = regions.length > 1 ? ' each' : ''
      return `${nameRegions(regions)} ${minutes} min${each}`
    })
    .join('; ')
}

/**
 * What is wrong with a drainage: it has to begin at an open node and to end there, downwards.
 * @returns undefined where nothing is, and for what does not drain
 */
export function drainTrouble(step: PlanStep, sequence: readonly InSequence[]): string | undefined {
  if (aimOf(step) !== 'drain' || sequence.length === 0) return undefined
  const [first] = sequence
  const last = sequence[sequence.length - 1]
  if (first && 'region' in first.place && step.regions.some((region) => region === 'neck'))
    return 'Open the collarbone first.'
  if (last && 'region' in last.place && step.regions.includes('neck'))
    return 'End downwards, at the collarbone.'
  if (!step.regions.includes('neck'))
    return 'The neck is left out: drain to the front of the ear, no further.'
  return undefined
}

/** Where the hand is at this minute of the step. */
export function placeAt(sequence: readonly InSequence[], ran: number): InSequence | undefined {
  let until = 0
  for (const own of sequence) {
    until += own.minutes
    if (ran < until) return own
  }
  return sequence.at(-1)
}
