import { MOST_COMING_OFF } from '../catalogue/rules/room'
import { ROUNDING } from '../units'

/** Something that rests and comes off by hand. Minutes from now. */
export interface OffTask {
  id: string
  /** It may not come off before; below nought where that has passed. */
  earliest: number
  /** It should be begun by then. */
  latest: number
  /** Hands-on minutes of taking it off. */
  takes: number
  /** Later than its latest does no harm: it waits for what cannot. */
  harmless?: boolean
}
export interface ComingOff {
  /** In the order they come off. */
  order: readonly { id: string; begin: number; late: number }[]
  /** Minutes from now by which the first has to be begun so that all come off in time. */
  beginBy: number
  /** Minutes by which windows are missed where that does harm, summed. */
  late: number
}
interface Tried extends ComingOff {
  /** Minutes by which windows are missed, harm or none. */
  over: number
  end: number
}

/**
 * In which order what rests comes off, with one pair of hands, beginning now. Exact: of every
 * order the one that does least harm by lateness, of those the one that misses its windows least,
 * then the one that ends soonest.
 * @param tasks minutes from now, at most six
 * @throws RangeError for more than six
 */
export function comingOff(tasks: readonly OffTask[]): ComingOff | undefined {
  if (tasks.length > MOST_COMING_OFF) throw new RangeError(`at most ${MOST_COMING_OFF} at once`)
  let best: Tried | undefined
  for (const order of ordersOf([...tasks].sort(byId))) {
    const tried = layOut(order)
    if (!best || isBetter(tried, best)) best = tried
  }
  if (!best || tasks.length === 0) return undefined
  const { order, beginBy, late } = best
  return { order, beginBy, late }
}
function isBetter(one: Tried, other: Tried): boolean {
  const apart = (['late', 'over', 'end'] as const).find(
    (measure) => Math.abs(one[measure] - other[measure]) > ROUNDING,
  )
  return apart !== undefined && one[apart] < other[apart]
}
const byId = (one: OffTask, other: OffTask) => (one.id < other.id ? -1 : 1)

function layOut(order: readonly OffTask[]): Tried {
  let clock = 0
  let harm = 0
  const begun = order.map((task) => {
    const begin = Math.max(clock, task.earliest)
    clock = begin + task.takes
    const late = Math.max(0, begin - task.latest)
    if (!task.harmless) harm += late
    return { id: task.id, begin, late }
  })
  const over = begun.reduce((sum, one) => sum + one.late, 0)
  const beginBy = Math.max(latestBegin(order), begun[0]?.begin ?? 0)
  return { order: begun, beginBy, late: harm, over, end: clock }
}

/**
 * From the last one back: when the first has to be begun so that what follows is in time. What may
 * be late without harm presses nobody, unless nothing else rests.
 */
function latestBegin(order: readonly OffTask[]): number {
  const pressing = order.some(({ harmless }) => !harmless)
  const latestOf = ({ harmless, latest }: OffTask) =>
    harmless && pressing ? Number.POSITIVE_INFINITY : latest
  return [...order]
    .reverse()
    .reduce((by, task) => Math.min(latestOf(task), by - task.takes), Number.POSITIVE_INFINITY)
}

function ordersOf(tasks: readonly OffTask[]): OffTask[][] {
  if (tasks.length === 0) return [[]]
  return tasks.flatMap((first) =>
    ordersOf(tasks.filter((task) => task !== first)).map((rest) => [first, ...rest]),
  )
}
