import { familiesOfBottle } from '../../catalogue/products/families'
import { STAGE_IDS, type StageId } from '../../catalogue/kinds'
import { stageRank } from '../../catalogue/techniques/stages'
import { hasPlace, isStrong } from '../../catalogue/techniques/traits'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { forToday } from '../agenda/narrow'
import { firstBar, type Allow } from '../today/allowance'
import { allowances } from '../today/allowed'
import { freshKey } from '../steps/edit'
import type { PlanInput } from '../input'
import { solveFor } from './cameFor'
import { reasonsFor } from './reasons'
import { pinTrouble } from '../question/pins'
import { marksOf, type SolveFrom } from '../question/planCase'
import type { Solution } from '../search/solve'
import type { PlacedMove } from '../search/moves'
import { trace } from '../steps/trace'
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
 * The best protocol for this skin, slot, house and shelf.
 * @param done steps already done (kept as they are); the rest is planned from where they leave the
 *   skin.
 */
export function propose(input: PlanInput, done: readonly PlanStep[] = []): Proposal {
  const stop =
    input.verdict.prevented.find((bar) => bar.ask === undefined) ?? input.verdict.prevented[0]
  if (stop && done.length === 0)
    return { steps: [], minutes: 0, value: 0, failed: { rule: stop.rule, text: stop.sentence } }
  const allow = allowances(input)
  const pin = pinTrouble(input, allow)
  if (pin) return { steps: done, minutes: 0, value: 0, failed: pin }
  const { planCase, solution, agenda } = solveFor(
    input,
    allow,
    done.length > 0 ? startAfter(input, done) : undefined,
    done.map(({ technique }) => technique),
  )
  const gap = planCase.stages.find(
    (stage) =>
      stage.must &&
      stage.options.length === 0 &&
      (done.length === 0 || STAGE_IDS.indexOf(stage.id) > stageReached(done)),
  )
  if (gap && input.licences.length === 0)
    return {
      ...{ steps: done, minutes: 0, value: 0 },
      failed: {
        rule: 'scope',
        text: 'Nothing can be planned: nobody has said what you are licensed for. An owner says it under Practice, Scope.',
      },
    }
  if (gap)
    return {
      steps: done,
      minutes: 0,
      value: 0,
      failed: pinsOf(input, gap.id) ?? {
        rule: 'floor',
        text: `no way to do the ${gap.id} step today: ${whyNot(allow, gap.id)}`,
      },
    }
  if (!solution)
    return {
      steps: done,
      minutes: 0,
      value: 0,
      failed:
        (input.pins ?? []).length > 0
          ? {
              rule: 'pinned',
              text: `With what is pinned no plan fits ${input.slotMinutes} minutes and this skin.`,
            }
          : {
              rule: 'over-slot',
              text: `The shortest possible visit does not fit ${input.slotMinutes} minutes.`,
            },
    }
  return {
    steps: materialise(solution, input, forToday(input, allow, agenda), done),
    minutes: fromTicks(solution.ticks),
    value: solution.value,
  }
}

/** Says that what is pinned in a stage leaves no way to do it; undefined where nothing is. */
function pinsOf(input: PlanInput, stage: StageId): Why | undefined {
  const own = (input.pins ?? []).filter((pin) => TECHNIQUES[pin.technique].stage === stage)
  const names = own.map((pin) => TECHNIQUES[pin.technique].name).join(' and ')
  return own.length === 0
    ? undefined
    : {
        rule: 'pinned',
        text:
          own.length > 1
            ? `${names} are pinned and do not go together. Unpin one.`
            : `${names} is pinned as it cannot be done today. Unpin it, or change its zones or minutes.`,
      }
}

function whyNot(allow: Allow, stage: string): string {
  const first = TECHNIQUE_IDS.filter((technique) => TECHNIQUES[technique].stage === stage)
    .map((technique) => {
      const allowance = allow(technique)
      return allowance.never[0] ?? firstBar(allowance)
    })
    .find((why) => why)
  return first?.text ?? 'nothing fits'
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
        ...TECHNIQUES[step.technique].families,
        ...input.shelf
          .filter(({ product }) => product.id === step.productId)
          .flatMap(({ product }) => familiesOfBottle(product)),
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
    const worked = steps.some(
      (step) =>
        isStrong(step.technique) && step.regions.some((region) => move.regions.includes(region)),
    )
    const productId =
      move.productId ??
      (
        (worked ? allowance.products.find((product) => product.product.calming) : undefined) ??
        allowance.products[0]
      )?.product.id
    steps.push({
      key: freshKey(steps, move.technique),
      technique: move.technique,
      regions: move.regions,
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
  const prepares = following && TECHNIQUES[following.technique].after === next?.technique
  return prepares ? following : next
}
