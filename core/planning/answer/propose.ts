import { meet } from '../../face/sides'
import { familiesInPairs } from '../../catalogue/products/families'
import { stageRank } from '../../catalogue/techniques/stages'
import { hasPlace, isStrong } from '../../catalogue/techniques/traits'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { forToday } from '../agenda/narrow'
import type { Allow } from '../today/allowance'
import { allowances } from '../today/allowed'
import { freshKey } from '../steps/edit'
import type { DeviceInUse, PlanInput } from '../input'
import { solveFor } from './cameFor'
import { reasonsFor } from './reasons'
import { gapIn, refusalOf } from './refusal'
import { lostPin, pinTrouble } from '../question/pins'
import { marksOf, type SolveFrom } from '../question/planCase'
import type { Solution } from '../search/solve'
import type { PlacedMove } from '../search/moves'
import { trace } from '../steps/trace'
import { deviceTimes } from '../../timing/diary'
import { clashesOf } from '../../timing/sharedDevices'
import { fromTicks, ticksWithin, minutes } from '../../units'

export interface Proposal {
  steps: readonly PlanStep[]
  /** Minutes of the whole, done steps included. */
  minutes: number
  value: number
  /** Says why there is no plan, when there is none. */
  failed?: Why
}

/**
 * The best protocol for this skin, slot, house and shelf; without a device that another room uses at
 * the time.
 * @param done steps already done (kept as they are); the rest is planned from where they leave the
 *   skin.
 */
export function propose(input: PlanInput, done: readonly PlanStep[] = []): Proposal {
  const best = bestFor(input, done)
  const [taken, ...others] = takenFrom(best.steps.slice(done.length), input, done)
  if (!taken) return best
  const kinds = [taken, ...others].map(({ kind }) => kind)
  const devices = input.devices.filter((kind) => !kinds.includes(kind))
  const without = propose({ ...input, devices }, done)
  if (!without.failed) return without
  const text = `the ${taken.name} is ${taken.words}`
  return { ...without, failed: { rule: 'device-taken', text } }
}

/** Devices at hand that steps to come want while another room has them. */
const takenFrom = (
  coming: readonly PlanStep[],
  { inUse = [], devices }: PlanInput,
  done: readonly PlanStep[],
): DeviceInUse[] =>
  clashesOf(deviceTimes([...done, ...coming]), inUse)
    .filter(({ wanted }) => coming.some(({ key }) => key === wanted.key))
    .filter(({ wanted }) => devices.includes(wanted.kind))
    .map(({ by }) => by)

function bestFor(input: PlanInput, done: readonly PlanStep[]): Proposal {
  const stop =
    input.verdict.prevented.find((bar) => bar.ask === undefined) ?? input.verdict.prevented[0]
  if (stop && done.length === 0)
    return { steps: [], minutes: 0, value: 0, failed: { rule: stop.rule, text: stop.sentence } }
  const allow = allowances(input)
  const pin = pinTrouble(input, allow)
  if (pin) return { steps: done, minutes: 0, value: 0, failed: pin }
  const start = done.length > 0 ? startAfter(input, done) : undefined
  const { planCase, solution, agenda } = solveFor(
    input,
    allow,
    start,
    done.map(({ technique }) => technique),
  )
  if (!solution || gapIn(planCase, start))
    return {
      steps: done,
      minutes: 0,
      value: 0,
      failed: refusalOf(input, allow, planCase, start),
    }
  const lost = lostPin(input, [...done, ...solution.moves])
  if (lost) return { steps: done, minutes: 0, value: 0, failed: lost }
  return {
    steps: materialise(solution, input, forToday(input, allow, agenda), done),
    minutes: fromTicks(solution.ticks),
    value: solution.value,
  }
}

function stageReached(done: readonly PlanStep[]): number {
  return Math.max(
    -1,
    ...done.filter((step) => hasPlace(step.technique)).map((step) => stageRank(step.technique)),
  )
}

function startAfter(input: PlanInput, done: readonly PlanStep[]): SolveFrom {
  const replayed = trace(input, done)
  const last = replayed.states[replayed.states.length - 1]?.after ?? replayed.start
  return {
    surface: last,
    stage: stageReached(done) + 1,
    ticks: ticksWithin(replayed.schedule.total),
    loads: replayed.totals,
    exfoliations: replayed.exfoliations.length,
    marks: marksOf([
      ...(replayed.exfoliations.length > 0 ? (['exfoliated'] as const) : []),
      ...done.flatMap((step) => [
        ...techniqueOf(step).families,
        ...input.shelf
          .filter(({ product }) => product.id === step.productId)
          .flatMap(({ product }) => familiesInPairs(product)),
      ]),
    ]),
  }
}

function materialise(
  solution: Solution,
  input: PlanInput,
  allow: Allow,
  done: readonly PlanStep[],
): PlanStep[] {
  const steps: PlanStep[] = [...done]
  const moves = joinWaits(solution.moves)
  moves.forEach((move, i) => {
    const allowance = allow(move.technique)
    const worked = steps.some((step) => isStrong(step.technique) && meet(step, move))
    const productId =
      move.productId ??
      (
        (worked ? allowance.products.find((product) => product.product.calming) : undefined) ??
        allowance.products[0]
      )?.product.id
    steps.push({
      key: freshKey(steps, move.technique),
      technique: move.technique,
      ...(move.own ? { own: move.own } : {}),
      regions: move.regions,
      ...(move.half ? { half: move.half } : {}),
      minutes: move.minutes,
      ...(move.passes === undefined ? {} : { passes: move.passes }),
      ...(move.setting === undefined ? {} : { setting: move.setting }),
      ...(productId === undefined ? {} : { productId }),
      ...(move.pinned ? { pinned: true } : {}),
      why: reasonsFor(move, nextMain(moves, i), allowance, input),
    })
  })
  return steps
}

const waits = ({ technique }: PlacedMove): boolean =>
  TECHNIQUES[technique].connects?.handsOff === true

/** Two waits in a row read as one. */
function joinWaits(moves: readonly PlacedMove[]): PlacedMove[] {
  const out: PlacedMove[] = []
  for (const move of moves) {
    const last = out[out.length - 1]
    if (waits(move) && last !== undefined && waits(last))
      out[out.length - 1] = { ...last, minutes: minutes(last.minutes + move.minutes) }
    else out.push(move)
  }
  return out
}

function nextMain(moves: readonly PlacedMove[], i: number): PlacedMove | undefined {
  const [next, following] = moves.slice(i + 1).filter((move) => !move.mend)
  const prepares = following && techniqueOf(following).after === next?.technique
  return prepares ? following : next
}
