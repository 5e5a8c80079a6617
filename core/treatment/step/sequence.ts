import { KNEADED, NODE_TICKS, NODES_FROM_MINUTES } from '../../catalogue/rules/room'
import {
  AIM_OF,
  DIRECTIONS,
  DRAIN_ORDER,
  LIFT_ORDER,
  NODES,
  type AimOfStroke,
  type Direction,
  type NodeId,
} from '../../catalogue/techniques/directions'
import { KNEADING } from '../../catalogue/rules/byHand'
import type { PlanStep } from '../../catalogue/techniques/step'
import { MANNERS } from '../../catalogue/techniques/strokes'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { areaOf, nameRegions, REGION_NAMES } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Profile } from '../../skin/profile'
import { fromTicks, toTicks } from '../../units'

/** One place of a sequence: a zone, or the nodes that are opened first and last. */
type Place = { region: RegionId } | { node: NodeId }
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

/** How tense each zone was found under the hand, 0–4; what was not read is not tense. */
type Tension = Readonly<Partial<Record<RegionId, number>>>
/** Tension as it was read, 0 to 4 by region; none where it was not. */
export const tensionOf = ({ regions }: Pick<Profile, 'regions'>): Tension =>
  Object.fromEntries(REGION_IDS.map((region) => [region, regions[region].tension ?? 0]))

/** Minutes are shared out by hand here, so that it stays longer where it finds tension. */
const kneads = ({ technique }: Pick<PlanStep, 'technique'>) =>
  TECHNIQUES[technique].stage === KNEADED

/**
 * The zones of a step in the order the hand takes them, with the minutes of each by its area; in a
 * massage also by the tension that was read there.
 */
export function sequenceOf(step: PlanStep, tension: Tension = {}): InSequence[] {
  const aim = aimOf(step)
  const { manner } = TECHNIQUES[step.technique]
  if (!aim || manner === 'none') return []
  const order = (aim === 'drain' ? DRAIN_ORDER : LIFT_ORDER).filter((region) =>
    step.regions.includes(region),
  )
  const nodes = aim === 'drain' && step.minutes >= NODES_FROM_MINUTES ? nodesOf(step.regions) : []
  const ticks = toTicks(step.minutes) - nodes.length * 2 * NODE_TICKS
  const found = (region: RegionId) => (kneads(step) ? (tension[region] ?? 0) : 0)
  const weights = order.map(
    (region) => areaOf([region]) * (1 + KNEADING.sharePerGrade * found(region)),
  )
  const shares = shareOut(weights, Math.max(0, ticks))
  const node = (id: NodeId, words: string): InSequence => ({
    place: { node: id },
    minutes: fromTicks(NODE_TICKS),
    say: `${words} ${NODES[id].name}`,
  })
  return [
    ...nodes.map((id) => node(id, 'Open the')),
    ...order.map((region, at): InSequence => ({
      place: { region },
      minutes: fromTicks(shares[at] ?? 0),
      say: [
        `${REGION_NAMES[region]}: ${MANNERS[manner].strokes[region] ?? 'lightly'}`,
        ...(found(region) >= KNEADING.saidFrom ? ['tense, longer here'] : []),
      ].join('; '),
    })),
    ...[...nodes].reverse().map((id) => node(id, 'End at the')),
  ]
}

const nodesOf = (regions: readonly RegionId[]): NodeId[] =>
  (['collarbone', 'ear'] as const).filter((id) => regions.includes(NODES[id].needs))

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
 * The minutes of a massage by zone, longest first, in words; nothing for what is not kneaded.
 * Both sides of a pair that get the same are named once.
 */
export function shareWords(step: PlanStep, tension: Tension): string {
  if (!kneads(step)) return ''
  const byMinutes = new Map<number, RegionId[]>()
  for (const { place, minutes } of sequenceOf(step, tension))
    if ('region' in place && minutes > 0)
      byMinutes.set(minutes, [...(byMinutes.get(minutes) ?? []), place.region])
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
