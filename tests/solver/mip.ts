import highs from 'highs'
import type { PlanNetwork } from '#core/planning/search/network'
import type { Solution } from '#core/planning/search/solve'

export interface Tuple {
  value: number
  cost: number
  idle: number
  options: readonly string[]
}

/** Our own solution in the same words. */
export const ours = (s: Solution | undefined, stages: number): Tuple | undefined =>
  s && { value: s.value, cost: s.costCents, idle: s.idleTicks, options: s.chosen.slice(-stages) }

/** Loaded once; the solver is a general mixed-integer one that knows nothing of this product. */
let solver: ReturnType<typeof highs> | undefined
const load = () => (solver ??= highs())

interface Row {
  name: string
  terms: Map<string, number>
  op: '<=' | '>=' | '='
  rhs: number
}

/**
 * The case as a layered flow: one binary for each arc, one continuous amount for each segment of
 * each concern's return.
 * Solved tier by tier, the earlier ones held: greatest value, least cost, least idle, then the
 * smallest option ids stage by stage. Gap zero.
 * @returns undefined when it has no solution
 * @throws Error when the solver gives up, or its rounded answer does not hold in whole numbers
 */
export async function byFlow(n: PlanNetwork, seconds: number): Promise<Tuple | undefined> {
  const mip = await load()
  const arcs = n.stages.flatMap((s, stage) =>
    s.arcs.map((a, i) => ({ ...a, stage, x: `x${stage}_${i}` })),
  )
  if (!arcs.some((a) => a.stage === 0)) return undefined
  const rows: Row[] = []
  const sum = (pick: (a: (typeof arcs)[number]) => number) =>
    new Map(
      arcs.flatMap((a) => {
        const v = pick(a)
        return v === 0 ? [] : [[a.x, v] as const]
      }),
    )
  rows.push({
    name: 'source',
    terms: new Map(arcs.filter((a) => a.stage === 0).map((a) => [a.x, 1])),
    op: '=',
    rhs: 1,
  })
  for (let layer = 1; layer < n.states.length - 1; layer++)
    for (let node = 0; node < (n.states[layer] ?? 0); node++) {
      const terms = new Map<string, number>()
      for (const a of arcs) {
        if (a.stage === layer - 1 && a.to === node) terms.set(a.x, 1)
        else if (a.stage === layer && a.from === node) terms.set(a.x, -1)
      }
      if (terms.size > 0) rows.push({ name: `flow${layer}_${node}`, terms, op: '=', rhs: 0 })
    }
  rows.push(
    { name: 'slot', terms: sum((a) => a.ticks), op: '<=', rhs: n.slotTicks },
    { name: 'work', terms: sum((a) => a.exfoliates), op: '<=', rhs: n.maxExfoliations },
  )
  // One mark in one stage and its partner in another are never both chosen.
  n.never.forEach(([x, y], p) =>
    n.stages.forEach((_, i) =>
      n.stages.forEach((__, j) => {
        if (i === j) return
        const one = arcs.filter((a) => a.stage === i && a.marks.includes(x))
        const other = arcs.filter((a) => a.stage === j && a.marks.includes(y))
        if (one.length > 0 && other.length > 0)
          rows.push({
            name: `pair${p}_${i}_${j}`,
            terms: new Map([...one, ...other].map((a) => [a.x, 1])),
            op: '<=',
            rhs: 1,
          })
      }),
    ),
  )
  n.headroom.forEach((h, r) =>
    rows.push({ name: `tolerance${r}`, terms: sum((a) => a.loads[r] ?? 0), op: '<=', rhs: h }),
  )
  const bounds: string[] = []
  const value = sum((a) => a.taste)
  n.weights.forEach((w, k) => {
    const terms = sum((a) => -(a.effects[k] ?? 0))
    let from = 0
    n.returns.forEach((seg, j) => {
      const y = `y${k}_${j}`
      terms.set(y, 1)
      value.set(y, w * seg.slope)
      bounds.push(seg.upTo === null ? `0 <= ${y}` : `0 <= ${y} <= ${seg.upTo - from}`)
      from = seg.upTo ?? from
    })
    rows.push({ name: `effect${k}`, terms, op: '<=', rhs: 0 })
  })
  const run = (
    sense: 'Maximize' | 'Minimize',
    goal: Map<string, number>,
    more: readonly Row[],
  ): { goal: number; on: Set<string> } | undefined => {
    const answer = mip.solve(
      toLp(
        sense,
        goal,
        [...rows, ...more],
        bounds,
        arcs.map((a) => a.x),
      ),
      { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: seconds, random_seed: 7 },
    )
    if (answer.Status === 'Infeasible') return undefined
    if (answer.Status !== 'Optimal')
      throw new Error(`the outside solver ended with "${answer.Status}" after ${seconds} s`)
    return {
      goal: answer.ObjectiveValue,
      on: new Set(
        Object.values(answer.Columns).flatMap((c) =>
          'Primal' in c && c.Name.startsWith('x') && c.Primal > 0.5 ? [c.Name] : [],
        ),
      ),
    }
  }
  const first = run('Maximize', value, [])
  if (!first) return undefined
  const hold: Row[] = [{ name: 'value', terms: value, op: '>=', rhs: Math.round(first.goal) - 0.5 }]
  const cost = sum((a) => a.cost)
  const second = must(run('Minimize', cost, hold))
  hold.push({ name: 'cost', terms: cost, op: '<=', rhs: Math.round(second.goal) + 0.5 })
  const idle = sum((a) => a.idle)
  const third = must(run('Minimize', idle, hold))
  hold.push({ name: 'idle', terms: idle, op: '<=', rhs: Math.round(third.goal) + 0.5 })
  // Where no other choice of options comes to the same three numbers, the ids have nothing to
  // decide.
  const chosenNow = n.stages.map(
    (_, s) => arcs.find((a) => a.stage === s && third.on.has(a.x))?.option ?? '',
  )
  const other: Row = {
    name: 'another',
    terms: new Map(arcs.filter((a) => a.option === chosenNow[a.stage]).map((a) => [a.x, 1])),
    op: '<=',
    rhs: n.stages.length - 1,
  }
  if (!run('Minimize', idle, [...hold, other]))
    return inWhole(
      n,
      arcs.filter((a) => third.on.has(a.x)),
    )
  // The smallest ids: ranked within each stage as the joined text compares them. Where the plan
  // found is already the only choice left, nothing is solved.
  let last = third
  for (let s = 0; s < n.stages.length; s++) {
    const own = arcs.filter((a) => a.stage === s)
    const end = s === n.stages.length - 1 ? '' : '|'
    const names = [...new Set(own.map((a) => a.option))].sort((a, b) =>
      `${a}${end}` < `${b}${end}` ? -1 : 1,
    )
    const rank = new Map(own.map((a) => [a.x, names.indexOf(a.option)]))
    if (names.length > 1 && [...last.on].some((x) => (rank.get(x) ?? 0) > 0))
      last = must(run('Minimize', new Map([...rank].filter(([, v]) => v > 0)), hold))
    const chosen = own.find((a) => last.on.has(a.x))?.option ?? ''
    hold.push({
      name: `id${s}`,
      terms: new Map(own.filter((a) => a.option === chosen).map((a) => [a.x, 1])),
      op: '=',
      rhs: 1,
    })
  }
  return inWhole(
    n,
    arcs.filter((a) => last.on.has(a.x)),
  )
}

const must = <T>(x: T | undefined): T => {
  if (x === undefined) throw new Error('a tier lost the solution of the one before')
  return x
}

/** The answer added up again in whole numbers, with every limit looked at once more. */
function inWhole(
  n: PlanNetwork,
  path: readonly (PlanNetwork['stages'][number]['arcs'][number] & { stage: number })[],
): Tuple {
  const ordered = [...path].sort((a, b) => a.stage - b.stage)
  if (ordered.length !== n.stages.length) throw new Error('not one way through each stage')
  ordered.forEach((a, i) => {
    if (i > 0 && ordered[i - 1]?.to !== a.from) throw new Error('the way is broken')
  })
  const total = (pick: (a: (typeof path)[number]) => number) =>
    ordered.reduce((t, a) => t + pick(a), 0)
  if (total((a) => a.ticks) > n.slotTicks || total((a) => a.exfoliates) > n.maxExfoliations)
    throw new Error('over the slot')
  const marks = ordered.flatMap((a) => a.marks)
  if (n.never.some(([x, y]) => marks.includes(x) && marks.includes(y)))
    throw new Error('two that never share a visit')
  n.headroom.forEach((h, r) => {
    if (total((a) => a.loads[r] ?? 0) > h) throw new Error('over a tolerance')
  })
  const gain = (effect: number) => {
    let out = 0
    let from = 0
    for (const s of n.returns) {
      const to = Math.min(effect, s.upTo ?? effect)
      if (to > from) out += (to - from) * s.slope
      from = Math.max(from, s.upTo ?? from)
    }
    return out
  }
  return {
    value: n.weights.reduce(
      (v, w, k) => v + w * gain(total((a) => a.effects[k] ?? 0)),
      total((a) => a.taste),
    ),
    cost: total((a) => a.cost),
    idle: total((a) => a.idle),
    options: ordered.map((a) => a.option),
  }
}

function toLp(
  sense: string,
  goal: Map<string, number>,
  rows: readonly Row[],
  bounds: readonly string[],
  binaries: readonly string[],
): string {
  const line = (terms: Map<string, number>) => {
    const out: string[] = []
    let text = ''
    for (const [name, c] of terms) {
      text += `${c < 0 ? ' - ' : ' + '}${Math.abs(c)} ${name}`
      if (text.length > 200) {
        out.push(text)
        text = ''
      }
    }
    return [...out, text].join('\n') || '0 x0_0'
  }
  return `${sense}\n obj: ${line(goal)}\nSubject To\n${rows
    .filter((r) => r.terms.size > 0)
    .map((r) => ` ${r.name}: ${line(r.terms)} ${r.op} ${r.rhs}`)
    .join(
      '\n',
    )}\nBounds\n${bounds.map((b) => ` ${b}`).join('\n')}\nBinary\n${binaries.join('\n')}\nEnd\n`
}
