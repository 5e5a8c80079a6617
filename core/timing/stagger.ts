/** A mask to be put on and taken off by the same pair of hands. Whole ticks. */
export interface MaskTask {
  id: string
  on: number
  off: number
  earliest: number
  latest: number
}
export interface Stagger {
  onOrder: readonly string[]
  offOrder: readonly string[]
  length: number
  handsFree: number
  dwell: Readonly<Record<string, number>>
}

/**
 * The shortest way to put on and take off a few masks so that each stays within its window.
 * Exact: every pair of orders is tried; ties go to the earlier order of ids. One hands-free
 * interval lies between the last on and the first off.
 * @returns undefined when no order keeps every window.
 * @throws RangeError for more than four masks or an empty window.
 */
export function stagger(tasks: readonly MaskTask[]): Stagger | undefined {
  if (tasks.length > 4) throw new RangeError('at most four masks at once')
  for (const task of tasks)
    if (task.earliest > task.latest) throw new RangeError(`${task.id}: earliest after latest`)
  const sorted = [...tasks].sort((one, other) => (one.id < other.id ? -1 : 1))
  let best: Stagger | undefined
  for (const on of permutations(sorted))
    for (const off of permutations(sorted)) {
      const tried = layOut(on, off)
      if (tried && (!best || tried.length < best.length)) best = tried
    }
  return best
}

/**
 * Free time `f` between last on and first off shifts every dwell alike, so the least `f` that
 * reaches every earliest decides.
 */
function layOut(on: readonly MaskTask[], off: readonly MaskTask[]): Stagger | undefined {
  const base = new Map<string, number>()
  let clock = 0
  const total = on.reduce((sum, task) => sum + task.on, 0)
  for (const task of on) {
    clock += task.on
    base.set(task.id, total - clock)
  }
  let lifted = 0
  let free = 0
  for (const task of off) {
    const dwell = (base.get(task.id) ?? 0) + lifted
    base.set(task.id, dwell)
    free = Math.max(free, task.earliest - dwell)
    lifted += task.off
  }
  const dwell: Record<string, number> = {}
  for (const task of on) {
    const due = (base.get(task.id) ?? 0) + free
    if (due > task.latest) return undefined
    dwell[task.id] = due
  }
  return {
    onOrder: on.map((task) => task.id),
    offOrder: off.map((task) => task.id),
    length: total + free + lifted,
    handsFree: free,
    dwell,
  }
}

function permutations<T>(items: readonly T[]): T[][] {
  if (items.length <= 1) return [[...items]]
  return items.flatMap((item, i) =>
    permutations([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
  )
}
