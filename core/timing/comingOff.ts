/** Something that rests and comes off by hand. Minutes from now. */
export interface OffTask {
  id: string
  /** It may not come off before; below nought where that has passed. */
  earliest: number
  /** It should be begun by then. */
  latest: number
  /** Hands-on minutes of taking it off. */
  takes: number
}
export interface ComingOff {
  /** In the order they come off. */
  order: readonly { id: string; begin: number; late: number }[]
  /** Minutes from now by which the first has to be begun so that all come off in time. */
  beginBy: number
  /** Minutes by which windows are missed, summed. */
  late: number
}

const MOST_TASKS = 6

/**
 * In which order what rests comes off, with one pair of hands, beginning now. Exact: of every
 * order the one that misses its windows least, then the one that ends soonest.
 * @param tasks minutes from now, at most six
 * @throws RangeError for more than six
 */
export function comingOff(tasks: readonly OffTask[]): ComingOff | undefined {
  if (tasks.length > MOST_TASKS) throw new RangeError(`at most ${MOST_TASKS} at once`)
  let best: (ComingOff & { end: number }) | undefined
  for (const order of ordersOf([...tasks].sort(byId))) {
    const tried = layOut(order)
    if (
      !best ||
      tried.late < best.late - EPSILON ||
      (tried.late <= best.late + EPSILON && tried.end < best.end - EPSILON)
    )
      best = tried
  }
  return best && tasks.length > 0 ? best : undefined
}
const EPSILON = 1e-9
const byId = (one: OffTask, other: OffTask) => (one.id < other.id ? -1 : 1)

function layOut(order: readonly OffTask[]): ComingOff & { end: number } {
  let clock = 0
  const begun = order.map((task) => {
    const begin = Math.max(clock, task.earliest)
    clock = begin + task.takes
    return { id: task.id, begin, late: Math.max(0, begin - task.latest) }
  })
  // From the last one back: when each has to be begun so that what follows is in time.
  let by = Number.POSITIVE_INFINITY
  for (const task of [...order].reverse()) by = Math.min(task.latest, by - task.takes)
  const late = begun.reduce((sum, one) => sum + one.late, 0)
  return { order: begun, beginBy: Math.max(by, begun[0]?.begin ?? 0), late, end: clock }
}

function ordersOf(tasks: readonly OffTask[]): OffTask[][] {
  if (tasks.length === 0) return [[]]
  return tasks.flatMap((first) =>
    ordersOf(tasks.filter((task) => task !== first)).map((rest) => [first, ...rest]),
  )
}
