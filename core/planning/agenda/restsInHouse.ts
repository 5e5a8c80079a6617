import type { DwellWindow } from '../../catalogue/techniques/technique'
import type { ProductKind } from '../../catalogue/kinds'
import { techniqueToday, type WaysToday } from '../../catalogue/techniques/ownWay'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import { dwellOf } from '../../timing/dwell'
import { removalMinutes } from '../../timing/removal'
import { minutes, type Minutes } from '../../units'
import type { PlanInput } from '../input'

/**
 * The minutes that work is reckoned with before a bottle is chosen: as long as any bottle of its kind
 * in this house wants, whoever may have it. So it never hangs on the client which they are.
 */
export function restsInHouse(
  id: TechniqueId,
  input: Pick<PlanInput, 'shelf' | 'today' | keyof WaysToday>,
): DwellWindow | undefined {
  const { shelf, today } = input
  const technique = techniqueToday(id, input)
  const { dwell, product: kind } = technique
  if (!dwell || kind === undefined) return dwell
  const known = windows.get(shelf) ?? new Map<string, DwellWindow>()
  windows.set(shelf, known)
  // By its window and not by whose way it is: a house changes its ways.
  const key = `${kind} ${JSON.stringify(dwell)} ${today}`
  const window = known.get(key) ?? widest(dwell, kind, shelf, today)
  known.set(key, window)
  return window
}
const windows = new WeakMap<PlanInput['shelf'], Map<string, DwellWindow>>()

function widest(
  dwell: DwellWindow,
  kind: ProductKind,
  shelf: PlanInput['shelf'],
  today: string,
): DwellWindow {
  const own = shelf.filter(
    ({ product, lots }) => product.kind === kind && lots.some(({ expires }) => expires >= today),
  )
  if (!own.some(({ product }) => product.rests)) return dwell
  const each = own.flatMap(({ product }) => dwellOf({ dwell }, product) ?? [])
  const most = (of: (window: DwellWindow) => Minutes): Minutes => minutes(Math.max(...each.map(of)))
  return {
    earliest: most(({ earliest }) => earliest),
    latest: most(({ latest }) => latest),
    sensitive: {
      earliest: most(({ sensitive }) => sensitive.earliest),
      latest: most(({ sensitive }) => sensitive.latest),
    },
    late: dwell.late,
  }
}

/** The short end of a rest on skin that is not tender: no less than its label asks. */
export const shortEnd = ({ earliest, sensitive }: DwellWindow): number =>
  Math.max(earliest, sensitive.latest)

/**
 * Minutes kept for what a worker lays: as long as it may rest, with its taking off; the least of it for
 * care and in an express visit, the short end where it stands in for another.
 */
export function restReserved(
  id: TechniqueId,
  regions: readonly RegionId[],
  { least, standIn }: { least: boolean; standIn: boolean },
  input: Parameters<typeof restsInHouse>[1],
): number {
  const dwell = restsInHouse(id, input)
  if (!dwell) return 0
  const rests = least ? dwell.earliest : standIn ? shortEnd(dwell) : dwell.latest
  return rests + removalMinutes(id, regions)
}
