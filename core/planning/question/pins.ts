import type { StageId } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { isOtherHalf } from '../../face/sides'
import { canPin, countsAsExfoliation } from '../../catalogue/techniques/traits'
import type { BlockMaker } from './blocks'
import { inARow } from './inARow'
import type { PlanInput } from '../input'
import { shareOf } from './lengths'
import { bottles, strengthOf } from './bottles'
import type { OptionMaker } from './options'
import type { Move, Option } from './planCase'

/**
 * The stages in which the therapist has pinned something, each with only what was pinned: its
 * minutes, zones, passes, setting and bottle as they are.
 */
export function pinnedOptions(
  input: PlanInput,
  make: OptionMaker,
  block: BlockMaker,
): Map<StageId, Option[]> {
  const byStage = new Map<StageId, PlanStep[]>()
  for (const pin of input.pins ?? [])
    // What goes straight after another step is kept with that.
    if (canPin(pin.technique) && !techniqueOf(pin).straightAfter) {
      const id = techniqueOf(pin).stage
      byStage.set(id, [...(byStage.get(id) ?? []), pin])
    }
  const out = new Map<StageId, Option[]>()
  for (const [stage, steps] of byStage) {
    const resting = steps.filter((step) => techniqueOf(step).dwell)
    if (resting.length > 0)
      out.set(
        stage,
        block
          .pinned(
            resting.map((step) => {
              const allowance = make.allowByHand(step.technique)
              const own = allowance.products.filter(
                (product) => product.product.id === step.productId,
              )
              return own.length > 0 ? { ...allowance, products: own } : allowance
            }),
            resting.map((step) => step.regions),
            resting.map((step) => step.minutes),
          )
          .map((option) => ({
            ...option,
            moves: option.moves.map((move) => {
              const pin = pinOf(move, resting)
              const { half } = pin ?? {}
              return pin ? { ...move, ...(half ? { half } : {}), pinned: true as const } : move
            }),
          })),
      )
    else out.set(stage, [together(steps, input, make)])
  }
  return out
}

/** The pin that a move stands for: where one technique is pinned twice, the one of its bottle and zones. */
function pinOf(move: Move, pins: readonly PlanStep[]): PlanStep | undefined {
  const own = pins.filter(({ technique }) => technique === move.technique)
  return (
    own.find(
      ({ productId, regions }) =>
        productId === move.productId && regions.join() === move.regions.join(),
    ) ?? own[0]
  )
}

/** All that is pinned in one stage, one after the other as pinned: every pin stands. */
function together(steps: readonly PlanStep[], input: PlanInput, make: OptionMaker): Option {
  const all = inARow(steps.map((step) => single(step, input, make)))
  if (!all) throw new Error('nothing is pinned in this stage')
  return all
}

function single(step: PlanStep, input: PlanInput, make: OptionMaker): Option {
  const row = techniqueOf(step)
  const allowance = make.allowByHand(step.technique)
  const bottle = input.shelf.find((item) => item.product.id === step.productId)?.product
  const move: Move = {
    technique: step.technique,
    ...(step.own ? { own: step.own } : {}),
    regions: step.regions,
    ...(step.half ? { half: step.half } : {}),
    minutes: step.minutes,
    ...(step.passes === undefined ? {} : { passes: step.passes }),
    ...(step.setting === undefined ? {} : { setting: step.setting }),
    ...(bottle
      ? {
          productId: bottle.id,
          ...strengthOf(bottle),
          ...(bottle.calming ? {} : { calm: 'no' as const }),
        }
      : (bottles(allowance)[0] ?? {})),
    pinned: true,
  }
  const moves = [...(make.before(row, step.regions) ?? []), move, ...make.then(move, step.regions)]
  const option = make.option(
    `pinned:${step.technique}`,
    make.traits([step.technique], moves),
    moves,
    make.effects.of(row, step.regions, shareOf(row, step.minutes, make.method)),
    0,
    allowance.favour,
  )
  // The last way is the whole one.
  return make.withFollowers(option, row, step.regions).at(-1) ?? option
}

/** Why a pinned step cannot stand today, in its rule's words; undefined when all may. */
export function pinTrouble(
  input: PlanInput,
  allow: OptionMaker['allow'],
): { rule: string; text: string } | undefined {
  for (const pin of input.pins ?? []) {
    if (!canPin(pin.technique)) continue
    const allowance = allow(pin.technique)
    const why =
      allowance.never[0] ??
      pin.regions
        .map((region) => allowance.barred.get(region)?.[0])
        .find((why) => why !== undefined)
    if (why)
      return {
        rule: why.rule,
        text: `${techniqueOf(pin).name} is pinned, but ${why.text.replace(/\.$/, '')}.`,
      }
  }
  return pinsApart(input.pins ?? [])
}

/** What was pinned to another step and is not in the plan, as that step is not; undefined where all is. */
export function lostPin(
  { pins = [] }: Pick<PlanInput, 'pins'>,
  steps: readonly Pick<PlanStep, 'technique'>[],
): { rule: string; text: string } | undefined {
  const lost = pins.find(
    ({ technique }) =>
      TECHNIQUES[technique].straightAfter !== undefined &&
      !steps.some((step) => step.technique === technique),
  )
  if (!lost) return undefined
  const { name, straightAfter = [] } = techniqueOf(lost)
  const hosts = straightAfter.map((id) => TECHNIQUES[id].name.toLowerCase()).join(' or ')
  return {
    rule: 'pinned',
    text: `${name} is pinned, and goes with ${hosts}. Pin that too, or unpin it.`,
  }
}

/** Pins of one stage that no plan can hold together, in words; undefined where all can stand. */
function pinsApart(pins: readonly PlanStep[]): { rule: string; text: string } | undefined {
  const named = (steps: readonly PlanStep[]) =>
    steps.map((step) => techniqueOf(step).name).join(' and ')
  const alone = pins.find((pin) => hasNoHost(pin, pins))
  if (alone)
    return {
      rule: 'pinned',
      text: `${named([alone])} is pinned, and what it goes with is not among the steps pinned there. Unpin one.`,
    }
  for (const stage of new Set(pins.map((pin) => techniqueOf(pin).stage))) {
    const own = pins.filter((pin) => canPin(pin.technique) && techniqueOf(pin).stage === stage)
    const exfoliating = own.filter((pin) => countsAsExfoliation(pin.technique))
    const apart = exfoliating.every(
      (pin, i) => i === 0 || exfoliating.slice(0, i).every((own) => isOtherHalf(own, pin)),
    )
    if (!apart)
      return {
        rule: 'pinned',
        text: `${named(exfoliating)} are pinned, and only one of them is possible: each takes something off the same skin. Unpin one.`,
      }
    const resting = own.filter((pin) => techniqueOf(pin).dwell)
    if (resting.length > 0 && resting.length < own.length)
      return {
        rule: 'pinned',
        text: `${named(own)} are pinned for the same place, and a resting mask leaves no hand free for both. Unpin one.`,
      }
  }
  return undefined
}

/** It goes straight after another step, and wherever that could stand something else is pinned. */
function hasNoHost({ technique }: PlanStep, pins: readonly PlanStep[]): boolean {
  const hosts = TECHNIQUES[technique].straightAfter
  if (!hosts) return false
  const pinnedIn = (stage: StageId) =>
    pins.filter((pin) => techniqueOf(pin).stage === stage && !techniqueOf(pin).straightAfter)
  return hosts.every((host) => {
    const own = pinnedIn(TECHNIQUES[host].stage)
    return own.length > 0 && !own.some((pin) => pin.technique === host)
  })
}
