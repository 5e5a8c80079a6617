import { RANK_WEIGHTS } from '../../catalogue/rules/value'
import { STAGE_IDS, type StageId } from '../../catalogue/kinds'
import { PAIRS } from '../../catalogue/rules/pairs'
import { methodOf, type Method } from '../../catalogue/schools/schools'
import type { TechniqueId } from '../../catalogue/techniques/technique'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { rimOf } from '../../load/tolerance'
import { isResilient } from '../today/adapt'
import { allowances, type Allow } from '../today/allowed'
import { BlockMaker } from './blocks'
import type { PlanInput } from '../input'
import { OptionMaker } from './options'
import { pinnedOptions } from './pins'
import { byProtocol } from './protocol'
import { pairBits, type Option, type PlanCase, type Stage } from './planCase'

/** The question of one plan as whole numbers: what is barred never enters it. */
export function compile(input: PlanInput, allow: Allow = allowances(input)): PlanCase {
  const aims = input.aims.slice(0, RANK_WEIGHTS.length)
  const method = methodOf(input.school, input.policy)
  const make = new OptionMaker(input, aims, method, allow)
  const block = new BlockMaker(make)
  const stages = stagesOf(input, method, make, block, allow)
  const { protocol } = input
  if (protocol) for (const id of STAGE_IDS) stages[id] = byProtocol(stages[id], protocol)
  for (const [id, options] of pinnedOptions(input, make, block))
    stages[id] = { id, must: true, options }
  const resilient = isResilient(input.profile)
  return {
    stages: STAGE_IDS.map((id) => stages[id]),
    aims,
    weights: aims.map((_, i) => RANK_WEIGHTS[i] ?? 0),
    rim: Object.fromEntries(
      REGION_IDS.map((r) => [
        r,
        rimOf(input.profile, r, input.verdict.limit.rimPercent).hundredths,
      ]),
    ) as Record<RegionId, number>,
    residual: input.residual,
    maxExfoliations: mostWorks(method, resilient),
    pairs: pairBits(PAIRS.filter((p) => !lifted(p.unless, method, resilient, input))),
    madeUp: input.madeUp,
  }
}

export const mostWorks = (method: Method, resilient: boolean): number =>
  resilient ? method.works : 1
/** A pair that the house allows to share a visit: for trained hands, on resilient skin. */
export function lifted(
  unless: string | undefined,
  method: Method,
  resilient: boolean,
  input: PlanInput,
): boolean {
  return (
    unless === 'peelWithMachine' &&
    method.peelWithMachine &&
    resilient &&
    input.licences.includes('machine')
  )
}

function stagesOf(
  input: PlanInput,
  method: Method,
  make: OptionMaker,
  block: BlockMaker,
  allow: Allow,
): Record<StageId, Stage> {
  const stage = (id: StageId, must: boolean, options: readonly Option[]): Stage => ({
    id,
    must,
    options,
  })
  const singles = (...ids: TechniqueId[]) => ids.flatMap((id) => make.singles(allow(id)))
  const blocks = (...ids: TechniqueId[]) => ids.flatMap((id) => block.blocks([allow(id)], id))
  const beside = (...ids: TechniqueId[]) => block.blocks(ids.map(allow), ids.join('+'))
  const { inTurn } = method
  const soothing: readonly TechniqueId[] = ['hydratingMask', 'creamMask']
  return {
    settle: stage('settle', true, singles('settle')),
    eyesOff: stage('eyesOff', input.madeUp, input.madeUp ? singles('eyesOff') : []),
    surfaceCleanse: stage('surfaceCleanse', true, singles('milk')),
    reading: stage('reading', true, singles('secondReading')),
    deepCleanse: stage('deepCleanse', true, singles('secondCleanse', 'oilCleanse')),
    tone: stage('tone', false, singles('tone')),
    warm: stage('warm', false, singles('steam', 'warmTowel')),
    handExfoliation: stage('handExfoliation', false, [
      ...singles('grain', 'blade'),
      ...blocks('rollOff', 'enzyme', 'acidMask', 'exfoliatingMask', 'resurfacingMask', 'salonPeel'),
    ]),
    machine: stage(
      'machine',
      false,
      singles('tip', 'crystals', 'spatula', 'vacuumGlide', 'needling'),
    ),
    extraction: stage('extraction', false, [
      ...singles('extraction'),
      ...make.warmed(allow('extraction')),
    ]),
    calm: stage('calm', false, [
      ...singles('highFrequency', 'cold'),
      ...blocks('blueLamp', 'redLamp'),
    ]),
    massage: stage('massage', false, singles('massage', 'toningMassage', 'stones', 'microcurrent')),
    mask: stage('mask', false, [
      ...blocks('clay', 'freshMask', 'hardeningMask'),
      ...(inTurn ? [] : blocks('hydratingMask', 'creamMask', 'sheetMask', 'eyeMask')),
      ...soothing.flatMap((s) => [...beside('clay', s), ...beside('freshMask', s)]),
      ...beside('clay', 'hydratingMask', 'eyeMask'),
    ]),
    secondMask: stage(
      'secondMask',
      false,
      inTurn ? blocks('hydratingMask', 'sheetMask', 'eyeMask') : [],
    ),
    afterMask: stage('afterMask', false, singles('tone', 'mist')),
    serum: stage('serum', false, singles('serum', 'ampoule')),
    eyes: stage('eyes', false, singles('eyeProduct')),
    moisturise: stage('moisturise', true, singles('moisturiser')),
    oil: stage('oil', false, input.daylight ? [] : singles('facialOil')),
    lips: stage('lips', false, singles('lipCare', 'lipScrub')),
    sun: stage('sun', input.daylight, input.daylight ? singles('sunProtection') : []),
    close: stage('close', true, singles('close')),
  }
}
