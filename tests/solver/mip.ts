import highs from 'highs'
import type { PlanNetwork } from '#core/planning/published/network'
import type { Solution } from '#core/planning/search/solve'

export interface Tuple {
  value: number
  cost: number
  idle: number
  options: readonly string[]
}

/** Our own solution in the same words. */
export const ours = (solution: Solution | undefined, stages: number): Tuple | undefined =>
  solution && {
    value: solution.value,
    cost: solution.costCents,
    idle: solution.idleTicks,
    options: solution.chosen.slice(-stages),
  }

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
export async function byFlow(
  planNetwork: PlanNetwork,
  seconds: number,
): Promise<Tuple | undefined> {
  const mip = await load()
  const arcs = planNetwork.stages.flatMap((other, stage) =>
    other.arcs.map((arc, i) => ({ ...arc, stage, x: `x${stage}_${i}` })),
  )
  if (!arcs.some((arc) => arc.stage === 0)) return undefined
  const rows: Row[] = []
  const sum = (pick: (arc: (typeof arcs)[number]) => number) =>
    new Map(
      arcs.flatMap((arc) => {
        const worth = pick(arc)
        return worth === 0 ? [] : [[arc.x, worth] as const]
      }),
    )
  rows.push({
    name: 'source',
    terms: new Map(arcs.filter((arc) => arc.stage === 0).map((arc) => [arc.x, 1])),
    op: '=',
    rhs: 1,
  })
  for (let layer = 1; layer < planNetwork.states.length - 1; layer++)
    for (let node = 0; node < (planNetwork.states[layer] ?? 0); node++) {
      const terms = new Map<string, number>()
      for (const arc of arcs) {
        if (arc.stage === layer - 1 && arc.to === node) terms.set(arc.x, 1)
        else if (arc.stage === layer && arc.from === node) terms.set(arc.x, -1)
      }
      if (terms.size > 0) rows.push({ name: `flow${layer}_${node}`, terms, op: '=', rhs: 0 })
    }
  rows.push(
    { name: 'slot', terms: sum((arc) => arc.ticks), op: '<=', rhs: planNetwork.slotTicks },
    {
      name: 'work',
      terms: sum((arc) => arc.exfoliates),
      op: '<=',
      rhs: planNetwork.maxExfoliations,
    },
  )
  // One mark in one stage and its partner in another are never both chosen.
  planNetwork.never.forEach(([x, y], pair) =>
    planNetwork.stages.forEach((_, i) =>
      planNetwork.stages.forEach((__, j) => {
        if (i === j) return
        const one = arcs.filter((arc) => arc.stage === i && arc.marks.includes(x))
        const other = arcs.filter((arc) => arc.stage === j && arc.marks.includes(y))
        if (one.length > 0 && other.length > 0)
          rows.push({
            name: `pair${pair}_${i}_${j}`,
            terms: new Map([...one, ...other].map((flow) => [flow.x, 1])),
            op: '<=',
            rhs: 1,
          })
      }),
    ),
  )
  planNetwork.headroom.forEach((headroom, zone) =>
    rows.push({
      name: `tolerance${zone}`,
      terms: sum((arc) => arc.loads[zone] ?? 0),
      op: '<=',
      rhs: headroom,
    }),
  )
  const bounds: string[] = []
  const value = sum((arc) => arc.taste)
  planNetwork.weights.forEach((weight, aim) => {
    const terms = sum((arc) => -(arc.effects[aim] ?? 0))
    let from = 0
    planNetwork.returns.forEach((seg, j) => {
      const y = `y${aim}_${j}`
      terms.set(y, 1)
      value.set(y, weight * seg.slope)
      bounds.push(seg.upTo === null ? `0 <= ${y}` : `0 <= ${y} <= ${seg.upTo - from}`)
      from = seg.upTo ?? from
    })
    rows.push({ name: `effect${aim}`, terms, op: '<=', rhs: 0 })
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
        arcs.map((arc) => arc.x),
      ),
      { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: seconds, random_seed: 7 },
    )
    if (answer.Status === 'Infeasible') return undefined
    if (answer.Status !== 'Optimal')
      throw new Error(`the outside solver ended with "${answer.Status}" after ${seconds} s`)
    return {
      goal: answer.ObjectiveValue,
      on: new Set(
        Object.values(answer.Columns).flatMap((column) =>
          'Primal' in column && column.Name.startsWith('x') && column.Primal > 0.5
            ? [column.Name]
            : [],
        ),
      ),
    }
  }
  const first = run('Maximize', value, [])
  if (!first) return undefined
  const hold: Row[] = [{ name: 'value', terms: value, op: '>=', rhs: Math.round(first.goal) - 0.5 }]
  const cost = sum((arc) => arc.cost)
  const second = must(run('Minimize', cost, hold))
  hold.push({ name: 'cost', terms: cost, op: '<=', rhs: Math.round(second.goal) + 0.5 })
  const idle = sum((arc) => arc.idle)
  const third = must(run('Minimize', idle, hold))
  hold.push({ name: 'idle', terms: idle, op: '<=', rhs: Math.round(third.goal) + 0.5 })
  // Where no other choice of options comes to the same three numbers, the ids have nothing to
  // decide.
  const chosenNow = planNetwork.stages.map(
    (_, stage) => arcs.find((arc) => arc.stage === stage && third.on.has(arc.x))?.option ?? '',
  )
  const other: Row = {
    name: 'another',
    terms: new Map(
      arcs.filter((arc) => arc.option === chosenNow[arc.stage]).map((arc) => [arc.x, 1]),
    ),
    op: '<=',
    rhs: planNetwork.stages.length - 1,
  }
  if (!run('Minimize', idle, [...hold, other]))
    return inWhole(
      planNetwork,
      arcs.filter((arc) => third.on.has(arc.x)),
    )
  // The smallest ids: ranked within each stage as the joined text compares them. Where the plan
  // found is already the only choice left, nothing is solved.
  let last = third
  for (let stage = 0; stage < planNetwork.stages.length; stage++) {
    const own = arcs.filter((arc) => arc.stage === stage)
    const end = stage === planNetwork.stages.length - 1 ? '' : '|'
    const names = [...new Set(own.map((arc) => arc.option))].sort((arc, other) =>
      `${arc}${end}` < `${other}${end}` ? -1 : 1,
    )
    const rank = new Map(own.map((arc) => [arc.x, names.indexOf(arc.option)]))
    if (names.length > 1 && [...last.on].some((x) => (rank.get(x) ?? 0) > 0))
      last = must(run('Minimize', new Map([...rank].filter(([, value]) => value > 0)), hold))
    const chosen = own.find((arc) => last.on.has(arc.x))?.option ?? ''
    hold.push({
      name: `id${stage}`,
      terms: new Map(own.filter((arc) => arc.option === chosen).map((arc) => [arc.x, 1])),
      op: '=',
      rhs: 1,
    })
  }
  return inWhole(
    planNetwork,
    arcs.filter((arc) => last.on.has(arc.x)),
  )
}

const must = <T>(x: T | undefined): T => {
  if (x === undefined) throw new Error('a tier lost the solution of the one before')
  return x
}

/** The answer added up again in whole numbers, with every limit looked at once more. */
function inWhole(
  planNetwork: PlanNetwork,
  path: readonly (PlanNetwork['stages'][number]['arcs'][number] & { stage: number })[],
): Tuple {
  const ordered = [...path].sort((arc, other) => arc.stage - other.stage)
  if (ordered.length !== planNetwork.stages.length)
    throw new Error('not one way through each stage')
  ordered.forEach((arc, i) => {
    if (i > 0 && ordered[i - 1]?.to !== arc.from) throw new Error('the way is broken')
  })
  const total = (pick: (arc: (typeof path)[number]) => number) =>
    ordered.reduce((sum, arc) => sum + pick(arc), 0)
  if (
    total((arc) => arc.ticks) > planNetwork.slotTicks ||
    total((arc) => arc.exfoliates) > planNetwork.maxExfoliations
  )
    throw new Error('over the slot')
  const marks = ordered.flatMap((arc) => arc.marks)
  if (planNetwork.never.some(([x, y]) => marks.includes(x) && marks.includes(y)))
    throw new Error('two that never share a visit')
  planNetwork.headroom.forEach((headroom, zone) => {
    if (total((arc) => arc.loads[zone] ?? 0) > headroom) throw new Error('over a tolerance')
  })
  const gain = (effect: number) => {
    let out = 0
    let from = 0
    for (const part of planNetwork.returns) {
      const to = Math.min(effect, part.upTo ?? effect)
      if (to > from) out += (to - from) * part.slope
      from = Math.max(from, part.upTo ?? from)
    }
    return out
  }
  return {
    value: planNetwork.weights.reduce(
      (sum, weight, aim) => sum + weight * gain(total((arc) => arc.effects[aim] ?? 0)),
      total((arc) => arc.taste),
    ),
    cost: total((arc) => arc.cost),
    idle: total((arc) => arc.idle),
    options: ordered.map((arc) => arc.option),
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
    for (const [name, value] of terms) {
      text += `${value < 0 ? ' - ' : ' + '}${Math.abs(value)} ${name}`
      if (text.length > 200) {
        out.push(text)
        text = ''
      }
    }
    return [...out, text].join('\n') || '0 x0_0'
  }
  return `${sense}\n obj: ${line(goal)}\nSubject To\n${rows
    .filter((zone) => zone.terms.size > 0)
    .map((zone) => ` ${zone.name}: ${line(zone.terms)} ${zone.op} ${zone.rhs}`)
    .join(
      '\n',
    )}\nBounds\n${bounds.map((bound) => ` ${bound}`).join('\n')}\nBinary\n${binaries.join('\n')}\nEnd\n`
}
