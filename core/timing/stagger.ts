import { MOST_MASKS } from '../catalogue/rules/room'

/** A mask to be put on and taken off by the same pair of hands. Whole ticks. */
export interface MaskTask {
  id: string
  on: number
  off: number
  /** From when it is on; of one that rests already, from now, and below nought once past. */
  earliest: number
  latest: number
  /** It is on already. */
  resting?: true
}
/** One hand action and the waiting before it, ticks. */
export interface HandAction {
  id: string
  do: 'on' | 'off'
  wait: number
}
export interface Stagger {
  /** What hands do, one after the other; waits may lie before any of them. */
  actions: readonly HandAction[]
  length: number
  /** The longest wait, and before which action it lies; −1 where there is none. */
  handsFree: number
  freeAt: number
  /** How long each rests; of what rests already, from now. */
  dwell: Readonly<Record<string, number>>
}

/**
 * The shortest way to put on and take off a few masks so that each stays within its window; what
 * rests already only comes off. Exact:
 * every order of the hand actions is tried, each with the earliest moments that its windows allow,
 * so that waits may lie anywhere. Ties: everything on before the first off, then the earlier ids.
 * @returns undefined when no order keeps every window.
 * @throws RangeError for more masks than may rest at once or an empty window.
 */
export function stagger(tasks: readonly MaskTask[]): Stagger | undefined {
  if (tasks.length > MOST_MASKS) throw new RangeError(`at most ${MOST_MASKS} masks at once`)
  for (const task of tasks)
    if (task.earliest > task.latest) throw new RangeError(`${task.id}: earliest after latest`)
  const sorted = [...tasks].sort((one, other) => (one.id < other.id ? -1 : 1))
  const key = JSON.stringify(sorted)
  const known = seen.get(key)
  if (known !== undefined) return known ?? undefined
  let best: Stagger | undefined
  for (const order of orders(sorted)) {
    const tried = layOut(sorted, order, best?.length)
    if (tried && (!best || tried.length < best.length)) best = tried
  }
  if (seen.size >= MOST_SEEN) seen.clear()
  seen.set(key, best ?? null)
  return best
}

/** The same few masks are staggered again and again: what came of it is kept, within bounds. */
const seen = new Map<string, Stagger | null>()
const MOST_SEEN = 2000

type Action = Pick<HandAction, 'do'> & { mask: number }

/**
 * The earliest moments of one order of actions: each begins no sooner than the one before it ends
 * and than its mask may come off; where an off would be late its mask goes on later, which moves
 * what follows, until nothing moves any more.
 * @param most longer than this is not wanted
 */
function layOut(
  tasks: readonly MaskTask[],
  order: readonly Action[],
  most = Number.POSITIVE_INFINITY,
): Stagger | undefined {
  const takes = order.map((action) => tasks[action.mask]?.[action.do] ?? 0)
  const onPlace = tasks.map((_, mask) =>
    order.findIndex((action) => action.do === 'on' && action.mask === mask),
  )
  const begins = order.map(() => 0)
  const ends = (place: number) => (begins[place] ?? 0) + (takes[place] ?? 0)
  let moved = true
  while (moved) {
    moved = false
    const later = (place: number, moment: number) => {
      if (moment <= (begins[place] ?? 0)) return
      begins[place] = moment
      moved = true
    }
    order.forEach((action, place) => {
      if (place > 0) later(place, ends(place - 1))
      const task = tasks[action.mask]
      if (action.do === 'on' || !task) return
      if (task.resting) return later(place, task.earliest)
      const on = onPlace[action.mask] ?? 0
      later(place, ends(on) + task.earliest)
      later(on, (begins[place] ?? 0) - task.latest - (takes[on] ?? 0))
    })
    if (ends(order.length - 1) >= most) return undefined
    const late = order.some(({ mask }, place) => {
      const task = tasks[mask]
      return task?.resting === true && (begins[place] ?? 0) > task.latest
    })
    if (late) return undefined
    // What pushes itself on for ever keeps no window.
    if (ends(order.length - 1) > LONGEST) return undefined
  }
  return written(tasks, order, begins, takes)
}
/** Longer than any treatment, ticks. */
const LONGEST = 2000

function written(
  tasks: readonly MaskTask[],
  order: readonly Action[],
  begins: readonly number[],
  takes: readonly number[],
): Stagger {
  const ends = (place: number) => (begins[place] ?? 0) + (takes[place] ?? 0)
  const actions = order.map((action, place): HandAction => ({
    id: tasks[action.mask]?.id ?? '',
    do: action.do,
    wait: (begins[place] ?? 0) - (place > 0 ? ends(place - 1) : 0),
  }))
  const handsFree = Math.max(0, ...actions.map((action) => action.wait))
  const placeOf = (mask: number, what: Action['do']) =>
    order.findIndex((action) => action.mask === mask && action.do === what)
  return {
    actions,
    length: order.length === 0 ? 0 : ends(order.length - 1),
    handsFree,
    freeAt: handsFree > 0 ? actions.findIndex((action) => action.wait === handsFree) : -1,
    dwell: Object.fromEntries(
      tasks.map((task, mask) => [
        task.id,
        (begins[placeOf(mask, 'off')] ?? 0) - (task.resting ? 0 : ends(placeOf(mask, 'on'))),
      ]),
    ),
  }
}

/**
 * Every order in which each mask goes on before it comes off; all on before the first off first.
 * What rests already only comes off.
 */
function orders(tasks: readonly MaskTask[]): Action[][] {
  const out: Action[][] = []
  const fresh = tasks.filter(({ resting }) => !resting).length
  const go = (order: readonly Action[]): void => {
    if (order.length === tasks.length + fresh) {
      out.push([...order])
      return
    }
    const has = (mask: number, what: Action['do']) =>
      order.some((action) => action.mask === mask && action.do === what)
    for (const what of ['on', 'off'] as const)
      tasks.forEach(({ resting = false }, mask) => {
        const may = what === 'on' ? !resting : resting || has(mask, 'on')
        if (may && !has(mask, what)) go([...order, { mask, do: what }])
      })
  }
  go([])
  const apart = (order: readonly Action[]) =>
    order.slice(0, fresh).every((action) => action.do === 'on') ? 0 : 1
  return out.sort((one, other) => apart(one) - apart(other))
}
