import { STAGE_IDS, type StageId } from '../../catalogue/kinds'
import { takeOff } from '../../catalogue/consultation/makeUp'
import { PAIRS } from '../../catalogue/rules/pairs'
import { RANK_WEIGHTS } from '../../catalogue/rules/value'
import { methodOf, type Method } from '../../catalogue/schools/schools'
import { hasOccasion, techniquesOf } from '../../catalogue/techniques/stages'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { toleranceOf } from '../../load/tolerance'
import { intentionsOf } from '../agenda/intentions'
import { forToday } from '../agenda/narrow'
import { agendaOf, type Work } from '../agenda/work'
import type { PlanInput } from '../input'
import type { Allow } from '../today/allowance'
import { allowances } from '../today/allowed'
import { floorToday } from '../today/floorToday'
import { mostExfoliations, pairWaived } from '../today/limits'
import { unavailableLinks } from '../steps/mend'
import { BlockMaker } from './blocks'
import { keepingPins } from './followers'
import { rowOf } from './inARow'
import { linkCostOf, OptionMaker } from './options'
import { pinnedOptions } from './pins'
import { pairBits, type Option, type PlanCase, type Stage } from './planCase'
import { byProtocol } from './protocol'

/** The question of one plan as whole numbers: what is barred never enters it. */
export function compile(
  input: PlanInput,
  allow: Allow = allowances(input),
  agenda: readonly Work[] = agendaOf(input),
): PlanCase {
  const aims = intentionsOf(input).map(({ id }) => id)
  const method = methodOf(input.school, input.policy)
  const make = new OptionMaker(input, aims, method, forToday(input, allow, agenda), allow)
  const block = new BlockMaker(make)
  const pinned = pinnedOptions(input, make, block)
  const floor = new Set(floorToday(input, allow).map((stage) => stage.stage))
  const stageOf = (id: StageId): Stage => {
    const options = pinned.get(id)
    if (options) return { id, must: true, options }
    const each = optionsOf(id, input, method, make, block)
    const offered = input.protocol ? [...each, ...rowOf(each, input.protocol)] : each
    const wanted = offered.filter((option) =>
      option.main.some((technique) => input.wanted?.includes(technique)),
    )
    if (wanted.length > 0) return { id, must: true, options: wanted }
    const { ways, keeps } = keepingPins(offered, input)
    const stage = { id, must: keeps || floor.has(id), options: ways }
    return input.protocol ? byProtocol(stage, input.protocol) : stage
  }
  const tolerance = (region: RegionId) =>
    toleranceOf(input.profile, region, input.verdict.limit.tolerancePercent).hundredths
  return {
    stages: notTwiceOnEnd(STAGE_IDS.map(stageOf)),
    aims,
    weights: aims.map((_, i) => RANK_WEIGHTS[i] ?? 0),
    tolerance: Object.fromEntries(
      REGION_IDS.map((region) => [region, tolerance(region)]),
    ) as Record<RegionId, number>,
    residual: input.residual,
    maxExfoliations: mostExfoliations(input),
    linkCost: linkCostOf(method),
    pairs: pairBits(PAIRS.filter((pair) => !pairWaived(pair, input))),
    madeUp: input.makeUp.length > 0,
    unavailable: unavailableLinks(allow),
  }
}

/** What may be done in a further stage as well is done there only where something can come between. */
function notTwiceOnEnd(stages: readonly Stage[]): Stage[] {
  const at = (id: StageId) => stages.findIndex((stage) => stage.id === id)
  return stages.map((stage, i): Stage => {
    const again = ({ main }: Option) =>
      main.some((id) => {
        const { alsoIn, stage: own } = TECHNIQUES[id]
        return (
          alsoIn === stage.id &&
          stages.slice(at(own) + 1, i).every(({ options }) => options.length === 0)
        )
      })
    return { ...stage, options: stage.options.filter((option) => !again(option)) }
  })
}

/** Every way of doing something in one stage; heavy layers are cleansed once more. */
function optionsOf(
  stage: StageId,
  input: PlanInput,
  method: Method,
  make: OptionMaker,
  block: BlockMaker,
): Option[] {
  const once = everyWay(stage, input, method, make, block)
  if (stage !== 'deepCleanse' || takeOff(input.makeUp).cleanses < 2) return once
  return once.map((option) => make.cleansedAgain(option))
}

function everyWay(
  stage: StageId,
  input: PlanInput,
  method: Method,
  make: OptionMaker,
  block: BlockMaker,
): Option[] {
  return techniquesOf(stageInTurn(stage, method))
    .filter((id) => hasOccasion(TECHNIQUES[id], input))
    .flatMap((id) => {
      const technique = TECHNIQUES[id]
      if (!technique.dwell) return handsOn(id, make)
      const beside = (technique.beside ?? []).map((others) => [id, ...others])
      return setsInTurn(id, [[id], ...beside], stage, method).flatMap((set) =>
        block.blocks(set.map(make.allow), set.join('+')),
      )
    })
}

/** Work of the hands alone, and with a short warming of its own where it may have one. */
function handsOn(id: TechniqueId, make: OptionMaker): Option[] {
  const own = make.allow(id)
  const { warmedBy } = TECHNIQUES[id]
  return [...make.singles(own), ...(warmedBy ? make.warmed(own, warmedBy) : [])]
}

/** A house that lays masks in turn has a second stage of them, filled from the first one's rows. */
const stageInTurn = (stage: StageId, method: Method): StageId =>
  stage === 'secondMask' && method.inTurn ? 'mask' : stage

/**
 * What is laid together. In turn, the second stage takes what may be laid second, and the first
 * what may not and what lies side by side.
 */
function setsInTurn(
  id: TechniqueId,
  sets: readonly (readonly TechniqueId[])[],
  stage: StageId,
  method: Method,
): readonly (readonly TechniqueId[])[] {
  const { inTurn } = TECHNIQUES[id]
  if (!method.inTurn) return sets
  if (stage === 'secondMask') return inTurn === 'second' ? sets.slice(0, 1) : []
  return inTurn === undefined ? sets : sets.slice(1)
}
