import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Option, PlanCase, SolveFrom } from '../question/planCase'
import { worth, type Label } from './labels'
import type { Way } from './layers'
import { placed, type PlacedMove } from './transitions'

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
    moves: chain.flatMap((way) => (way.option && way.move ? placed(way.option, way.move) : [])),
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
