import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Option, PlanCase, SolveFrom } from '../question/planCase'
import { worth, type Label } from './labels'
import type { Way } from './layers'
import { placed, type PlacedMove } from './transitions'
import { transitions } from './transitionStore'

export interface Solution {
  moves: readonly PlacedMove[]
  options: readonly string[]
  /** The option of each stage; '' is none. */
  chosen: readonly string[]
  value: number
  costCents: number
  idleTicks: number
  ticks: number
  loads: Readonly<Record<RegionId, number>>
  labels: number
}

/** What a label has chosen, written out from its last way back to the first. */
export function toSolution(
  planCase: PlanCase,
  start: SolveFrom,
  label: Label,
  labels: number,
): Solution {
  const chain: Way[] = []
  for (let at: Label | undefined = label; at?.way; at = at.back) chain.push(at.way)
  chain.reverse()
  const loads = { ...start.loads }
  for (const way of chain)
    REGION_IDS.forEach((region, i) => {
      loads[region] += way.move?.loads[i] ?? 0
    })
  const chosen: Option[] = chain.flatMap((way) => way.option ?? [])
  return {
    moves: written(planCase, start, chosen),
    options: chosen.map((option) => option.id),
    chosen: chain.map((way) => way.option?.id ?? ''),
    value: worth(planCase, label.effects, label.taste),
    costCents: label.cost,
    idleTicks: label.idle,
    ticks: start.ticks + label.ticks,
    loads,
    labels,
  }
}

/**
 * The options with their connecting steps as the skin really is: ways between states that count as
 * one take as long and load as much, but what connects may differ.
 */
function written(planCase: PlanCase, start: SolveFrom, chosen: readonly Option[]): PlacedMove[] {
  const table = transitions(planCase.unavailable)
  let surface = table.intern(start.surface)
  return chosen.flatMap((option) => {
    const move = table.step(option, surface)
    if (!move) throw new Error(`${option.id} cannot stand where it was planned`)
    surface = move.surface
    return placed(option, move)
  })
}
