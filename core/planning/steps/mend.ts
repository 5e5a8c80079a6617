import {
  TECHNIQUE_IDS,
  TECHNIQUES,
  type Technique,
  type TechniqueId,
} from '../../catalogue/techniques/techniques'
import { shortName } from '../../catalogue/techniques/traits'
import type { RegionId } from '../../face/zones'
import { toTicks, type Minutes } from '../../units'
import { applyTechnique, unmetNeeds, type Surface, type Unmet } from '../../surface/surface'
import { bottleRateOf } from '../../dosing/bottleRate'
import { minutes } from '../../units'
import type { Allow } from '../today/allowed'

/** Why a connecting step stands before another: what that one wants. */
export const CONNECTOR_WANTS: Partial<Record<TechniqueId, string>> = {
  blot: 'wants dry skin',
  mist: 'wants damp skin',
  rinse: 'wants bare skin',
  secondCleanse: 'wants clean skin',
  wait: 'wants a dry layer',
}

/** "tip wants dry skin": why a connecting step stands before a technique. */
export const wantsWords = (technique: Technique, wants: string | undefined): string =>
  `${shortName(technique.id).toLowerCase()} ${wants ?? 'wants it so'}`

/** Connecting steps that can put a surface right, with the minutes they take. */
const CONNECTORS: readonly { id: TechniqueId; minutes: Minutes }[] = TECHNIQUE_IDS.flatMap((id) => {
  const { connects } = TECHNIQUES[id]
  return connects === undefined ? [] : [{ id, minutes: connects }]
})

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
  if (first.length === 0) return { steps: [], minutes: minutes(0), surface }
  if (first.some((unmet) => unmet.part === 'skin' || unmet.part === 'warmth')) return undefined
  const masked = regions.some((region) => surface[region].film === 'mask')
  const layered =
    regions.some((region) => surface[region].film === 'leaveOn') &&
    (technique.needs.film?.includes('leaveOn') ?? false)
  let frontier: Connection[] = [{ steps: [], minutes: minutes(0), surface }]
  let best: Connection | undefined
  for (let depth = 0; depth < 3; depth++) {
    const next: Connection[] = []
    for (const chain of frontier)
      for (const ownConnector of CONNECTORS) {
        if (best && chain.minutes + ownConnector.minutes >= best.minutes) continue
        if (without.includes(ownConnector.id)) continue
        const connector = TECHNIQUES[ownConnector.id]
        if (!helps(ownConnector.id, stillWanting(chain.surface, technique, regions))) continue
        // What takes product off must not touch a leave-on that the next step can stand on.
        if (
          layered &&
          (ownConnector.id === 'rinse' ||
            ownConnector.id === 'secondCleanse' ||
            ownConnector.id === 'blot')
        )
          continue
        // A wait leaves the skin alone; a mist on a mask or under a wash makes no sense and is
        // never cheaper than a rinse.
        if (masked && chain.steps.length === 0 && ownConnector.id !== 'rinse') continue
        if (unmetNeeds(chain.surface, connector, regions).length > 0) continue
        const step = {
          technique: ownConnector.id,
          minutes: ownConnector.minutes,
          regions: ownConnector.id === 'wait' ? [] : regions,
        }
        const reached: Connection = {
          steps: [...chain.steps, step],
          minutes: minutes(chain.minutes + ownConnector.minutes),
          surface: applyTechnique(
            chain.surface,
            connector,
            step.regions,
            toTicks(ownConnector.minutes),
          ),
        }
        if (unmetNeeds(reached.surface, technique, regions).length === 0) {
          if (!best || better(reached, best)) best = reached
        } else next.push(reached)
      }
    frontier = next
  }
  return best
}

/**
 * What is unmet, and what a mist that would mend it wants itself: a layer that has not dried down is
 * not sprayed over.
 */
function stillWanting(
  surface: Surface,
  technique: Technique,
  regions: readonly RegionId[],
): Unmet[] {
  const unmet = unmetNeeds(surface, technique, regions)
  const damp = unmet.some(({ part, want }) => part === 'moisture' && want !== 'dry')
  const settling = unmetNeeds(surface, TECHNIQUES.mist, regions).filter(
    ({ part }) => part === 'settled',
  )
  return damp && !unmet.some(({ part }) => part === 'settled') ? [...unmet, ...settling] : unmet
}

/**
 * A connecting step is tried only where it answers something unmet; a wash on dry skin may want a
 * mist first.
 */
function helps(id: TechniqueId, unmet: readonly Unmet[]): boolean {
  const wants = (part: Unmet['part']) => unmet.find((unmet) => unmet.part === part)
  switch (id) {
    case 'wait':
      return wants('settled') !== undefined
    case 'mist':
      return wants('soil') !== undefined || (wants('moisture')?.want ?? 'dry') !== 'dry'
    case 'blot':
      return (
        wants('moisture') !== undefined ||
        wants('film') !== undefined ||
        wants('soil') !== undefined
      )
    case 'rinse':
      return wants('film') !== undefined || (wants('moisture')?.want ?? 'dry') !== 'dry'
    default:
      return wants('film') !== undefined || wants('soil') !== undefined
  }
}

function better(one: Connection, other: Connection): boolean {
  if (one.minutes !== other.minutes) return one.minutes < other.minutes
  return (
    one.steps.map((step) => step.technique).join() <
    other.steps.map((step) => step.technique).join()
  )
}
