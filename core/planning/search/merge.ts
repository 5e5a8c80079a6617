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
  for (let ownStage = raw.length - 1; ownStage >= 0; ownStage--) {
    const stage = raw[ownStage]
    if (!stage) continue
    const from: Arc[][] = Array.from({ length: stage.states }, () => [])
    for (const arc of stage.arcs) from[arc.from]?.push({ ...arc, to: same[arc.to] ?? 0 })
    const known = new Map<string, { index: number; arcs: Arc[] }>()
    same = from.map((list) => {
      const own = lean(list)
      const key = own
        .map((arc) => `${arc.option}>${arc.to}:${arc.ticks}:${arc.taste}:${arc.loads.join('.')}`)
        .sort()
        .join('|')
      const found = known.get(key) ?? { index: known.size, arcs: own }
      known.set(key, found)
      return found.index
    })
    stages.unshift({
      id: stage.id,
      arcs: [...known.values()].flatMap((merged) =>
        merged.arcs.map((arc) => ({ ...arc, from: merged.index })),
      ),
    })
    states.unshift(known.size)
  }
  return { states, stages }
}

function lean(arcs: readonly Arc[]): Arc[] {
  const bundles = new Map<number, Arc[]>()
  for (const arc of arcs) {
    const list = bundles.get(arc.to)
    if (list) list.push(arc)
    else bundles.set(arc.to, [arc])
  }
  const beaten = new Set<Arc>()
  for (const list of bundles.values())
    for (const one of list)
      if (!beaten.has(one))
        for (const other of list)
          if (one !== other && !beaten.has(other) && beats(one, other)) beaten.add(other)
  return arcs.filter((arc) => !beaten.has(arc))
}

/**
 * Whether one arc serves at least as well as another in everything there is; equals go by the
 * smaller id.
 */
function beats(one: Arc, other: Arc): boolean {
  if (
    one.ticks > other.ticks ||
    one.taste < other.taste ||
    one.cost > other.cost ||
    one.idle > other.idle ||
    one.exfoliates > other.exfoliates ||
    one.marks.some((mark) => !other.marks.includes(mark))
  )
    return false
  if (one.effects.some((effect, i) => effect < (other.effects[i] ?? 0))) return false
  for (let i = 0; i < Math.max(one.loads.length, other.loads.length); i++)
    if ((one.loads[i] ?? 0) > (other.loads[i] ?? 0)) return false
  const better =
    one.taste > other.taste ||
    one.cost < other.cost ||
    one.idle < other.idle ||
    one.effects.some((effect, i) => effect > (other.effects[i] ?? 0))
  return better || `${one.option}|` < `${other.option}|`
}
