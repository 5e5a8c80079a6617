/**
 * One way through a stage from one state of the skin to the next: an option with its connecting
 * steps, or none. Whole numbers throughout.
 */
export interface Arc {
  from: number
  to: number
  /** '' is none. */ option: string
  ticks: number
  loads: readonly number[]
  effects: readonly number[]
  taste: number
  cost: number
  idle: number
  exfoliates: 0 | 1
  /** Kinds of work that may not share a visit with others. */ marks: readonly string[]
}
interface RawStage {
  id: string
  states: number
  arcs: readonly Arc[]
}

/**
 * The same question with fewer words: states from which just the same may follow become one, and
 * an arc that another between the same two states
 * beats or equals in everything is left out. From the end backwards; no plan gains or loses by it.
 */
export function merged(
  raw: readonly RawStage[],
  ends: number,
): { states: number[]; stages: { id: string; arcs: Arc[] }[] } {
  // Nothing follows the last stage: all its ends are one.
  let same: readonly number[] = Array.from({ length: ends }, () => 0)
  const states = [Math.min(1, ends)]
  const stages: { id: string; arcs: Arc[] }[] = []
  for (let s = raw.length - 1; s >= 0; s--) {
    const stage = raw[s]
    if (!stage) continue
    const from: Arc[][] = Array.from({ length: stage.states }, () => [])
    for (const a of stage.arcs) from[a.from]?.push({ ...a, to: same[a.to] ?? 0 })
    const known = new Map<string, { index: number; arcs: Arc[] }>()
    same = from.map((list) => {
      const own = lean(list)
      const key = own
        .map((a) => `${a.option}>${a.to}:${a.ticks}:${a.loads.join('.')}`)
        .sort()
        .join('|')
      const found = known.get(key) ?? { index: known.size, arcs: own }
      known.set(key, found)
      return found.index
    })
    stages.unshift({
      id: stage.id,
      arcs: [...known.values()].flatMap((k) => k.arcs.map((a) => ({ ...a, from: k.index }))),
    })
    states.unshift(known.size)
  }
  return { states, stages }
}

function lean(arcs: readonly Arc[]): Arc[] {
  const bundles = new Map<number, Arc[]>()
  for (const a of arcs) {
    const list = bundles.get(a.to)
    if (list) list.push(a)
    else bundles.set(a.to, [a])
  }
  const beaten = new Set<Arc>()
  for (const list of bundles.values())
    for (const a of list)
      if (!beaten.has(a))
        for (const b of list) if (a !== b && !beaten.has(b) && beats(a, b)) beaten.add(b)
  return arcs.filter((a) => !beaten.has(a))
}

/**
 * Whether one arc serves at least as well as another in everything there is; equals go by the
 * smaller id.
 */
function beats(a: Arc, b: Arc): boolean {
  if (
    a.ticks > b.ticks ||
    a.taste < b.taste ||
    a.cost > b.cost ||
    a.idle > b.idle ||
    a.exfoliates > b.exfoliates ||
    a.marks.some((m) => !b.marks.includes(m))
  )
    return false
  if (a.effects.some((e, i) => e < (b.effects[i] ?? 0))) return false
  for (let i = 0; i < Math.max(a.loads.length, b.loads.length); i++)
    if ((a.loads[i] ?? 0) > (b.loads[i] ?? 0)) return false
  const better =
    a.taste > b.taste ||
    a.cost < b.cost ||
    a.idle < b.idle ||
    a.effects.some((e, i) => e > (b.effects[i] ?? 0))
  return better || `${a.option}|` < `${b.option}|`
}
