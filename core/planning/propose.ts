import { STAGE_IDS, STRONG } from '../catalogue/kinds'
import type { PlanStep, Why } from '../catalogue/step'
import { TECHNIQUES } from '../catalogue/techniques'
import { TECHNIQUE_IDS, type TechniqueId } from '../catalogue/technique'
import { REGION_IDS, type RegionId } from '../face/zones'
import { orderRule } from '../catalogue/orderRules'
import { allBars, allowance } from './allowed'
import { compile, type PlanCase } from './compile'
import { freshKey } from './edit'
import type { PlanInput } from './input'
import { reasonsFor } from './reasons'
import { solve, type SolveFrom, type Solution } from './solve'
import type { PlacedMove } from './transitions'
import { trace } from './trace'

export interface Proposal {
  steps: readonly PlanStep[]
  /** Minutes of the whole, done steps included. */
  minutes: number
  value: number
  /** Says why there is no plan, when there is none. */
  failed?: Why
}

/** Techniques that connect or fill and so do not say how far a visit has come. */
const LOOSE: readonly TechniqueId[] = ['blot', 'rinse', 'mist', 'wait', 'handsArms', 'shouldersScalp', 'stay', 'maskOff', 'tone']

/**
 * The best protocol for this skin, slot, house and shelf.
 * @param done steps already done (kept as they are); the rest is planned from where they leave the skin.
 */
export function propose(input: PlanInput, done: readonly PlanStep[] = []): Proposal {
  const stop = input.verdict.prevented.find((b) => b.ask === undefined) ?? input.verdict.prevented[0]
  if (stop && done.length === 0) return { steps: [], minutes: 0, value: 0, failed: { rule: stop.rule, text: stop.sentence } }
  const c = compile(input)
  const gap = c.stages.find((s) => s.must && s.options.length === 0 && (done.length === 0 || STAGE_IDS.indexOf(s.id) > stageReached(done)))
  if (gap) return { steps: done, minutes: 0, value: 0, failed: { rule: 'floor', text: `no way to do the ${gap.id} step today: ${whyNot(input, gap.id)}` } }
  const solution = solve(c, input.slotMinutes * 2, done.length > 0 ? startAfter(input, done) : undefined)
  if (!solution) return { steps: done, minutes: 0, value: 0, failed: { rule: 'over-slot', text: `The shortest possible visit does not fit ${input.slotMinutes} minutes.` } }
  return { steps: materialise(solution, input, done), minutes: solution.ticks / 2, value: solution.value }
}

function whyNot(input: PlanInput, stage: string): string {
  const bars = allBars(input)
  const first = TECHNIQUE_IDS.filter((t) => TECHNIQUES[t].stage === stage).map((t) => { const a = allowance(t, input, bars); return a.never[0] ?? [...a.barred.values()][0]?.[0] }).find((w) => w)
  return first?.text ?? 'nothing fits'
}

function stageReached(done: readonly PlanStep[]): number {
  return Math.max(-1, ...done.filter((s) => !LOOSE.includes(s.technique)).map((s) => STAGE_IDS.indexOf(TECHNIQUES[s.technique].stage)))
}

function startAfter(input: PlanInput, done: readonly PlanStep[]): SolveFrom {
  const t = trace(input, done)
  const last = t.states[t.states.length - 1]?.after ?? t.start
  return {
    surface: last, stage: stageReached(done) + 1, ticks: t.schedule.total * 2, loads: t.totals,
    exfoliations: t.exfoliations.length,
  }
}

function materialise(solution: Solution, input: PlanInput, done: readonly PlanStep[]): PlanStep[] {
  const bars = allBars(input)
  const known = new Map<TechniqueId, ReturnType<typeof allowance>>()
  const allow = (id: TechniqueId) => { const a = known.get(id) ?? allowance(id, input, bars); known.set(id, a); return a }
  const steps: PlanStep[] = [...done]
  const moves = joinWaits(solution.moves)
  moves.forEach((m, i) => {
    const a = allow(m.technique)
    const worked = steps.some((s) => TECHNIQUES[s.technique].families.some((f) => STRONG.includes(f)) && s.regions.some((r) => m.regions.includes(r)))
    const productId = m.productId ?? ((worked ? a.products.find((p) => p.product.calming) : undefined) ?? a.products[0])?.product.id
    steps.push({
      key: freshKey(steps, m.technique), technique: m.technique, regions: m.regions, minutes: m.minutes,
      ...(m.passes === undefined ? {} : { passes: m.passes }), ...(m.setting === undefined ? {} : { setting: m.setting }), ...(productId === undefined ? {} : { productId }),
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
    if (m.technique === 'wait' && last?.technique === 'wait') out[out.length - 1] = { ...last, minutes: last.minutes + m.minutes }
    else out.push(m)
  }
  return out
}

function nextMain(moves: readonly PlacedMove[], i: number): PlacedMove | undefined {
  return moves.slice(i + 1).find((m) => !m.mend)
}

export interface LeftOut { technique: TechniqueId, name: string, why: Why, extraMinutes?: number, dropsOut?: readonly string[] }

const OFFERED: readonly TechniqueId[] = ['oilCleanse', 'steam', 'grain', 'enzyme', 'tip', 'highFrequency', 'cold', 'massage', 'clay', 'hydratingMask', 'serum', 'eyeProduct', 'facialOil']

/** What was left out, and its price: the rule that bars it, the minutes it would add, or what would have to go. */
export function leftOut(input: PlanInput, steps: readonly PlanStep[]): LeftOut[] {
  const used = new Set(steps.map((s) => s.technique))
  const bars = allBars(input)
  const c = compile(input)
  const base = solve(c, input.slotMinutes * 2)
  return OFFERED.filter((t) => !used.has(t)).map((t): LeftOut => {
    const { name } = TECHNIQUES[t]
    const a = allowance(t, input, bars)
    const never = a.never[0]
    if (never) return { technique: t, name, why: never }
    const first = [...a.barred.values()][0]?.[0]
    if (!c.stages.some((s) => s.options.some((o) => o.main.includes(t)))) {
      if (t === 'facialOil' && input.daylight) return { technique: t, name, why: { rule: 'oil-under-sun', text: orderRule('oil-under-sun').sentence } }
      return { technique: t, name, why: first ?? { rule: 'barred', text: orderRule('barred').sentence } }
    }
    return price(t, name, c, base, input.slotMinutes * 2)
  })
}

function price(t: TechniqueId, name: string, c: PlanCase, base: Solution | undefined, slotTicks: number): LeftOut {
  const forced: PlanCase = { ...c, stages: c.stages.map((s) => (s.options.some((o) => o.main.includes(t)) ? { ...s, must: true, options: s.options.filter((o) => o.main.includes(t)) } : s)) }
  const inSlot = solve(forced, slotTicks)
  const before = mains(base, c)
  if (inSlot) {
    const gone = [...before].filter((x) => !mains(inSlot, c).has(x)).map((x) => TECHNIQUES[x].name)
    const text = gone.length > 0 ? `instead of ${gone.map((g) => g.toLowerCase().replace(/ on$/, '')).join(', ')}` : 'serves today\'s aims less'
    return { technique: t, name, why: { rule: 'value', text }, ...(gone.length > 0 ? { dropsOut: gone } : {}) }
  }
  const wide = solve(forced, slotTicks + 60)
  if (wide) return { technique: t, name, why: { rule: 'over-slot', text: 'no minutes left for it' }, extraMinutes: Math.max(0.5, (wide.ticks - slotTicks) / 2) }
  const over = REGION_IDS.some((r: RegionId) => c.residual[r] > 0)
  return { technique: t, name, why: { rule: 'over-rim', text: over ? 'more than the skin can bear after the last visit' : 'more than this skin can bear today' } }
}

function mains(s: Solution | undefined, c: PlanCase): Set<TechniqueId> {
  const chosen = new Set(s?.options ?? [])
  return new Set(c.stages.flatMap((st) => st.options.filter((o) => chosen.has(o.id)).flatMap((o) => [...o.main])))
}
