import type { Connects } from '../../catalogue/techniques/technique'
import {
  TECHNIQUE_IDS,
  TECHNIQUES,
  type Technique,
  type TechniqueId,
} from '../../catalogue/techniques/techniques'
import { shortName } from '../../catalogue/techniques/traits'
import type { PlanStep } from '../../catalogue/techniques/step'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { minutes, toTicks, type Minutes } from '../../units'
import { applyTechnique, unmetNeeds, type Surface, type Unmet } from '../../surface/surface'
import { bottleRateOf } from '../../dosing/bottleRate'
import type { Allow } from '../today/allowance'

/** "tip wants dry skin": why a connecting step stands before a technique. */
export const wantsWords = (technique: Technique, wants: string | undefined): string =>
  `${shortName(technique.id).toLowerCase()} ${wants ?? 'wants it so'}`

/** Connecting steps that can put a surface right, with how they do it. */
const CONNECTORS: readonly (Connects & { id: TechniqueId })[] = TECHNIQUE_IDS.flatMap((id) => {
  const { connects } = TECHNIQUES[id]
  return connects === undefined ? [] : [{ id, ...connects }]
})
/** A chain of connecting steps is no longer than this: more of them is a plan gone wrong. */
export const LONGEST_CHAIN = 3

/** Connecting steps that cannot be had today: they take a bottle, and none is left for them. */
export const unavailableLinks = (allow: Allow): TechniqueId[] =>
  CONNECTORS.filter(({ id }) => {
    if (TECHNIQUES[id].product === undefined) return false
    const { never, products } = allow(id)
    // What only connects takes nothing off: a wash with an acid or enzyme is work of its own.
    const plain = products.some(({ product }) => bottleRateOf(product) === 0)
    return never.length > 0 || !plain
  }).map(({ id }) => id)

export interface Connection {
  steps: readonly { technique: TechniqueId; minutes: Minutes; regions: readonly RegionId[] }[]
  minutes: Minutes
  surface: Surface
}

/**
 * The cheapest chain of at most three connecting steps after which `technique` can stand on
 * `regions`; ties by ids.
 * @param without connecting steps that cannot be had today
 * @returns undefined when no chain helps, for instance on freshly abraded skin.
 */
export function connect(
  surface: Surface,
  technique: Technique,
  regions: readonly RegionId[],
  without: readonly TechniqueId[] = [],
): Connection | undefined {
  const first = unmetNeeds(surface, technique, regions)
  const none: Connection = { steps: [], minutes: minutes(0), surface }
  if (first.length === 0) return none
  // No connecting step makes skin whole or cool.
  if (first.some(({ part }) => part === 'skin' || part === 'warmth')) return undefined
  const here = lyingThere(surface, technique, regions)
  const usable = CONNECTORS.filter(
    (own) => !without.includes(own.id) && hasItsPlace(own, technique),
  )
  let frontier: Connection[] = [none]
  let best: Connection | undefined
  for (let depth = 0; depth < LONGEST_CHAIN; depth++) {
    const next: Connection[] = []
    for (const chain of frontier)
      for (const connector of usable) {
        if (best && chain.minutes + connector.minutes >= best.minutes) continue
        if (isInTheWay(here, connector, chain)) continue
        if (!helps(connector, chain.surface, technique, regions)) continue
        const reached = lengthened(chain, connector, regions)
        if (unmetNeeds(reached.surface, technique, regions).length > 0) next.push(reached)
        else if (!best || better(reached, best)) best = reached
      }
    frontier = next
  }
  return best
}

/** The zones of something that rests and of all that is laid beside it before the first comes off. */
export function laidTogether(steps: readonly Placed[], at: number): RegionId[] {
  const from = steps.slice(at)
  const off = from.findIndex(({ technique }) => TECHNIQUES[technique].removes)
  const laid = from
    .slice(0, off < 0 ? from.length : off)
    .filter(({ technique }) => TECHNIQUES[technique].dwell)
  return REGION_IDS.filter((id) => laid.some(({ regions }) => regions.includes(id)))
}
type Placed = Pick<PlanStep, 'technique' | 'regions'>

/** Whether a connecting step answers to something that is still wanted, and can itself be done. */
const helps = (
  connector: (typeof CONNECTORS)[number],
  surface: Surface,
  technique: Technique,
  regions: readonly RegionId[],
): boolean =>
  answers(connector, stillWanting(surface, technique, regions)) &&
  unmetNeeds(surface, TECHNIQUES[connector.id], regions).length === 0

/** What lies on the zones that a connecting step must mind. */
const lyingThere = (surface: Surface, { needs }: Technique, regions: readonly RegionId[]) => ({
  masked: regions.some((region) => surface[region].film === 'mask'),
  layered:
    regions.some((region) => surface[region].film === 'leaveOn') &&
    (needs.film?.includes('leaveOn') ?? false),
})
function isInTheWay(
  { masked, layered }: ReturnType<typeof lyingThere>,
  connector: (typeof CONNECTORS)[number],
  chain: Connection,
): boolean {
  // What takes product off must not touch a leave-on that the next step can stand on.
  if (layered && connector.lifts === true) return true
  // Through a mask only water goes; anything else waits until it is off.
  return masked && chain.steps.length === 0 && !connector.throughMask
}

/** A mist gives something to what stays on; before everything else wet hands do. */
const hasItsPlace = (
  { before }: (typeof CONNECTORS)[number],
  { leaves: { layer } }: Technique,
): boolean => before === undefined || (before === 'layers') === (layer !== undefined)

/** A chain with one connecting step more. */
function lengthened(
  chain: Connection,
  { id, minutes: own, handsOff }: (typeof CONNECTORS)[number],
  regions: readonly RegionId[],
): Connection {
  const step = { technique: id, minutes: own, regions: handsOff ? [] : regions }
  return {
    steps: [...chain.steps, step],
    minutes: minutes(chain.minutes + own),
    surface: applyTechnique(chain.surface, TECHNIQUES[id], step.regions, toTicks(own)),
  }
}

/**
 * What is unmet, and what a step that would damp the skin wants itself: a layer that has not dried
 * down is not sprayed over.
 */
function stillWanting(
  surface: Surface,
  technique: Technique,
  regions: readonly RegionId[],
): Unmet[] {
  const unmet = unmetNeeds(surface, technique, regions)
  const damp = unmet.some(({ part, want }) => part === 'moisture' && want !== 'dry')
  if (!damp || unmet.some(({ part }) => part === 'settled')) return unmet
  const settling = CONNECTORS.filter((own) => own.answers.moisture === 'damp').flatMap(({ id }) =>
    unmetNeeds(surface, TECHNIQUES[id], regions).filter(({ part }) => part === 'settled'),
  )
  return [...unmet, ...settling]
}

/**
 * A connecting step is tried only where it answers something unmet; a wash on dry skin may want
 * wet hands first.
 */
const answers = ({ answers: own }: Connects, unmet: readonly Unmet[]): boolean =>
  unmet.some(({ part, want }) => {
    if (part === 'moisture')
      return own.moisture === 'any' || (own.moisture === 'damp' && want !== 'dry')
    return part === 'soil' || part === 'film' || part === 'settled' ? own[part] === true : false
  })

function better(one: Connection, other: Connection): boolean {
  if (one.minutes !== other.minutes) return one.minutes < other.minutes
  return (
    one.steps.map((step) => step.technique).join() <
    other.steps.map((step) => step.technique).join()
  )
}
