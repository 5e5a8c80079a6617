import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { REGION_IDS } from '../face/zones'
import { loadOn } from '../load/loads'
import type { Option, PlanCase } from '../planning/question/planCase'
import { returns } from '../planning/search/bounds'
import { connect } from '../planning/steps/mend'
import { applyTechnique, startSurface, type Surface } from '../surface/surface'

export interface Tuple {
  value: number
  cost: number
  idle: number
  ids: string
}
const better = (one: Tuple, other: Tuple) =>
  one.value !== other.value
    ? one.value > other.value
    : one.cost !== other.cost
      ? one.cost < other.cost
      : one.idle !== other.idle
        ? one.idle < other.idle
        : one.ids < other.ids

/**
 * Every choice of every stage, walked one by one; shares nothing with the solver but the surface
 * and the load.
 */
export function byEveryChoice(planCase: PlanCase, slotTicks: number): Tuple | undefined {
  let best: Tuple | undefined
  const go = (
    i: number,
    surface: Surface,
    ticks: number,
    loads: readonly number[],
    effects: readonly number[],
    taste: number,
    cost: number,
    idle: number,
    exfoliations: number,
    marks: number,
    ids: readonly string[],
  ) => {
    if (i === planCase.stages.length) {
      const value = effects.reduce(
        (sum, effect, zone) => sum + (planCase.weights[zone] ?? 0) * returns(effect),
        taste,
      )
      const tuple = { value, cost, idle, ids: ['', ...ids].join('|') }
      if (!best || better(tuple, best)) best = tuple
      return
    }
    const stage = planCase.stages[i]
    if (!stage) return
    if (!stage.must || stage.options.length === 0)
      go(i + 1, surface, ticks, loads, effects, taste, cost, idle, exfoliations, marks, [
        ...ids,
        '',
      ])
    for (const option of stage.options) {
      if (option.exfoliates && exfoliations >= planCase.maxExfoliations) continue
      const held = marks | option.marks
      if (planCase.pairs.some(([key, value]) => (held & key) !== 0 && (held & value) !== 0))
        continue
      const walked = perform(surface, loads, option, planCase.unavailable)
      if (
        !walked ||
        ticks + walked.ticks > slotTicks ||
        walked.loads.some(
          (load, zone) =>
            load > (loads[zone] ?? 0) && load > planCase.tolerance[REGION_IDS[zone] ?? 'forehead'],
        )
      )
        continue
      go(
        i + 1,
        walked.surface,
        ticks + walked.ticks,
        walked.loads,
        effects.map((effect, zone) => effect + (option.effects[zone] ?? 0)),
        taste + option.taste - planCase.linkCost * walked.links,
        cost + option.costCents,
        idle + option.idleTicks,
        exfoliations + (option.exfoliates ? 1 : 0),
        held,
        [...ids, option.id],
      )
    }
  }
  go(
    0,
    startSurface(planCase.madeUp),
    0,
    REGION_IDS.map((region) => planCase.residual[region]),
    planCase.aims.map(() => 0),
    0,
    0,
    0,
    0,
    0,
    [],
  )
  return best
}

function perform(
  start: Surface,
  before: readonly number[],
  option: Option,
  without: PlanCase['unavailable'],
): { surface: Surface; ticks: number; links: number; loads: readonly number[] } | undefined {
  let surface = start
  let ticks = 0
  const loads = [...before]
  const step = (move: {
    technique: keyof typeof TECHNIQUES
    regions: Option['moves'][number]['regions']
    minutes: number
    dwell?: number
    passes?: number
    freeAcid?: number
    setting?: number
  }) => {
    REGION_IDS.forEach((region, zone) => {
      if (move.regions.includes(region))
        loads[zone] =
          (loads[zone] ?? 0) +
          loadOn(
            region,
            TECHNIQUES[move.technique],
            {
              handsMinutes: move.minutes,
              dwellMinutes: move.dwell ?? 0,
              passes: move.passes ?? 0,
              freeAcid: move.freeAcid ?? 0,
              setting: move.setting ?? 0,
            },
            surface[region].warmth === 'warm' ? 125 : 100,
          )
    })
    surface = applyTechnique(surface, TECHNIQUES[move.technique], move.regions, move.minutes * 2)
    ticks += move.minutes * 2
  }
  let resting = false
  let links = 0
  for (const move of option.moves) {
    const worked = move.regions.some((region) => surface[region].skin !== 'intact')
    if ((move.calm === 'no' && worked) || (move.calm === 'only' && !worked)) return undefined
    const chain = connect(surface, TECHNIQUES[move.technique], move.regions, without)
    if (!chain || (resting && chain.steps.length > 0)) return undefined
    if (move.dwell !== undefined) resting = true
    links += chain.steps.length
    for (const link of chain.steps) step(link)
    step(move)
  }
  return { surface, ticks, links, loads }
}
