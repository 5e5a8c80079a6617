import type { VisitBundle } from './bundle'
import type { OpenPoint } from './openPoints'
import { type VisitStatus, hasBegun, wasTreated } from './status'

/** The six stops of a visit, in the order the work goes. */
export const STOP_IDS = ['ask', 'read', 'plan', 'set', 'treat', 'close'] as const
export type StopId = (typeof STOP_IDS)[number]
export const STOP_NAMES: Readonly<Record<StopId, string>> = {
  ask: 'Ask',
  read: 'Read',
  plan: 'Plan',
  set: 'Set',
  treat: 'Treat',
  close: 'Close',
}

/** Where a visit goes on: the one answer to which stop it opens at. */
export function stopOf(status: VisitStatus): StopId {
  if (status === 'treating') return 'treat'
  return wasTreated(status) ? 'close' : 'ask'
}

interface StopMark {
  mark: 'done' | 'open' | 'none'
  /** In a word beside the name, so that nothing is said by a mark alone. */
  word: string
}

/**
 * How each stop stands: ready, begun, or not yet.
 * @param open what is still open before the treatment may start
 * @param planned whether there is a plan
 */
export function stopMark(
  stop: StopId,
  bundle: Pick<VisitBundle, 'answered' | 'readings'> & { visit: { status: VisitStatus } },
  open: readonly OpenPoint[],
  planned: boolean,
): StopMark {
  const { status } = bundle.visit
  const done = (is: boolean, word = ''): StopMark => ({ mark: is ? 'done' : 'none', word })
  if (stop === 'close') return done(status === 'sealed', status === 'sealed' ? 'sealed' : '')
  if (stop === 'set') return done(hasBegun(status))
  if (stop === 'treat')
    return status === 'treating' ? { mark: 'open', word: '' } : done(wasTreated(status))
  if (status !== 'booked') return { mark: 'done', word: 'ready' }
  const needs = open.find((point) => point.stop === stop)
  if (!needs) return { mark: 'done', word: 'ready' }
  const begun = { ask: bundle.answered, read: bundle.readings.madeUp !== null, plan: planned }
  return { mark: begun[stop] ? 'open' : 'none', word: needs.text }
}

/** The stop that a visit on the day's page opens at: the first that is not ready. */
export function openStop(
  status: VisitStatus,
  ready: Readonly<Record<'ask' | 'read', boolean>>,
): StopId {
  const stop = stopOf(status)
  if (stop !== 'ask' || !ready.ask) return stop
  return ready.read ? 'plan' : 'read'
}
