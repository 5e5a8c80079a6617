import type { DwellWindow } from '../../catalogue/techniques/technique'
import type { ProductKind } from '../../catalogue/kinds'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { dwellOf } from '../../timing/dwell'
import { minutes, type Minutes } from '../../units'
import type { PlanInput } from '../input'

/**
 * The minutes that work is reckoned with before a bottle is chosen: as long as any bottle of its kind
 * in this house wants, whoever may have it. So it never hangs on the client which they are.
 */
export function restsInHouse(
  id: TechniqueId,
  { shelf, today }: Pick<PlanInput, 'shelf' | 'today'>,
): DwellWindow | undefined {
  const { dwell, product: kind } = TECHNIQUES[id]
  if (!dwell || kind === undefined) return dwell
  const known = windows.get(shelf) ?? new Map<string, DwellWindow>()
  windows.set(shelf, known)
  const window = known.get(`${id} ${today}`) ?? widest(id, dwell, kind, shelf, today)
  known.set(`${id} ${today}`, window)
  return window
}
const windows = new WeakMap<PlanInput['shelf'], Map<string, DwellWindow>>()

function widest(
  id: TechniqueId,
  dwell: DwellWindow,
  kind: ProductKind,
  shelf: PlanInput['shelf'],
  today: string,
): DwellWindow {
  const own = shelf.filter(
    ({ product, lots }) => product.kind === kind && lots.some(({ expires }) => expires >= today),
  )
  if (!own.some(({ product }) => product.rests)) return dwell
  const each = own.flatMap(({ product }) => dwellOf(id, product) ?? [])
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
