import { STAGE_IDS } from '../../catalogue/kinds'
import { stageRank } from '../../catalogue/techniques/stages'
import { hasPlace, isStrong } from '../../catalogue/techniques/traits'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { allowances, type Allow } from '../today/allowed'
import { compile } from '../question/compile'
import { freshKey } from '../steps/edit'
import type { PlanInput } from '../input'
import { reasonsFor } from './reasons'
import { pinTrouble } from '../question/pins'
import { marksOf, type SolveFrom } from '../question/planCase'
import { solve, type Solution } from '../search/solve'
import type { PlacedMove } from '../search/transitions'
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
    input.verdict.prevented.find((b) => b.ask === undefined) ?? input.verdict.prevented[0]
  if (stop && done.length === 0)
    return { steps: [], minutes: 0, value: 0, failed: { rule: stop.rule, text: stop.sentence } }
  const allow = allowances(input)
  const pin = pinTrouble(input, allow)
  if (pin) return { steps: done, minutes: 0, value: 0, failed: pin }
  const c = compile(input, allow)
  const gap = c.stages.find(
    (s) =>
      s.must &&
      s.options.length === 0 &&
      (done.length === 0 || STAGE_IDS.indexOf(s.id) > stageReached(done)),
  )
  if (gap)
    return {
      steps: done,
      minutes: 0,
      value: 0,
      failed: {
        rule: 'floor',
        text: `no way to do the ${gap.id} step today: ${whyNot(allow, gap.id)}`,
      },
    }
  const solution = solve(
    c,
    ticksWithin(input.slotMinutes),
    done.length > 0 ? startAfter(input, done) : undefined,
  )
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
    steps: materialise(solution, input, allow, done),
    minutes: fromTicks(solution.ticks),
    value: solution.value,
  }
}

function whyNot(allow: Allow, stage: string): string {
  const first = TECHNIQUE_IDS.filter((t) => TECHNIQUES[t].stage === stage)
    .map((t) => {
      const a = allow(t)
      return a.never[0] ?? [...a.barred.values()][0]?.[0]
    })
    .find((w) => w)
  return first?.text ?? 'nothing fits'
}

function stageReached(done: readonly PlanStep[]): number {
  return Math.max(
    -1,
    ...done.filter((s) => hasPlace(s.technique)).map((s) => stageRank(s.technique)),
  )
}

function startAfter(input: PlanInput, done: readonly PlanStep[]): SolveFrom {
  const t = trace(input, done)
  const last = t.states[t.states.length - 1]?.after ?? t.start
  return {
    surface: last,
    stage: stageReached(done) + 1,
    ticks: ticksWithin(t.schedule.total),
    loads: t.totals,
    exfoliations: t.exfoliations.length,
    marks: marksOf(done.flatMap((s) => TECHNIQUES[s.technique].families)),
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
  moves.forEach((m, i) => {
    const a = allow(m.technique)
    const worked = steps.some(
      (s) => isStrong(s.technique) && s.regions.some((r) => m.regions.includes(r)),
    )
    const productId =
      m.productId ??
      ((worked ? a.products.find((p) => p.product.calming) : undefined) ?? a.products[0])?.product
        .id
    steps.push({
      key: freshKey(steps, m.technique),
      technique: m.technique,
      regions: m.regions,
      minutes: m.minutes,
      ...(m.passes === undefined ? {} : { passes: m.passes }),
      ...(m.setting === undefined ? {} : { setting: m.setting }),
      ...(productId === undefined ? {} : { productId }),
      ...(m.pinned ? { pinned: true } : {}),
      why: reasonsFor(m, nextMain(moves, i), a, input),
    })
  })
  return steps
}

/** Two waits in a row read as one. */
function joinWaits(moves: readonly PlacedMove[]): PlacedMove[] {
  const out: PlacedMove[] = []
  for (const m of moves) {
    const last = out[out.length - 1]
    if (m.technique === 'wait' && last?.technique === 'wait')
      out[out.length - 1] = { ...last, minutes: minutes(last.minutes + m.minutes) }
    else out.push(m)
  }
  return out
}

function nextMain(moves: readonly PlacedMove[], i: number): PlacedMove | undefined {
  return moves.slice(i + 1).find((m) => !m.mend)
}
