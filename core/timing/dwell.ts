import type { Product } from '../catalogue/products/products'
import { SHORT_END } from '../catalogue/techniques/resting'
import type { DwellWindow } from '../catalogue/techniques/technique'
import type { ProductKind } from '../catalogue/kinds'
import { TECHNIQUES, techniquesWhere, type Technique } from '../catalogue/techniques/techniques'
import { floorTick, minutes, type Minutes } from '../units'

const within = (own: number, least: Minutes, most: Minutes): Minutes =>
  minutes(Math.min(most, Math.max(least, own)))

/**
 * How long what a technique lays may rest: the window of its kind, as the label of its bottle narrows
 * it. A label never makes it wider, and never takes tender skin past what its kind bears there.
 * @returns undefined for what does not rest
 */
export function dwellOf(
  { dwell }: Pick<Technique, 'dwell'>,
  bottle?: Pick<Product, 'rests'>,
): DwellWindow | undefined {
  const rests = bottle?.rests
  if (!dwell || !rests) return dwell
  const latest = within(rests.to, dwell.earliest, dwell.latest)
  const earliest = within(rests.from, dwell.earliest, latest)
  const shortEnd = earliest + floorTick((latest - earliest) * SHORT_END)
  const short = within(shortEnd, dwell.earliest, dwell.sensitive.latest)
  return {
    earliest,
    latest,
    sensitive: { earliest: minutes(Math.min(earliest, short)), latest: short },
    late: dwell.late,
  }
}

/** The minutes that a label of a kind may name: what that kind bears on any skin; none where nothing rests. */
export function restWindow(kind: ProductKind): { from: number; to: number } | undefined {
  const windows = techniquesWhere(({ product }) => product === kind).flatMap(
    (id) => TECHNIQUES[id].dwell ?? [],
  )
  return windows.length === 0
    ? undefined
    : {
        from: Math.min(...windows.map(({ earliest }) => earliest)),
        to: Math.max(...windows.map(({ latest }) => latest)),
      }
}
