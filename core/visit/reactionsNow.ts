import type { PastReaction } from '../screening/products/reactions'
import type { VisitBundle } from './bundle'

/**
 * All reactions for which a bottle was suspected, those of this visit that are only tapped yet
 * included: what burned a minute ago is not handed out again because the house has not heard of it.
 */
export function reactionsNow(
  bundle: Pick<VisitBundle, 'reactions' | 'events' | 'shelf' | 'today'>,
): PastReaction[] {
  const known = bundle.reactions.map(({ productId, at }) => `${productId} ${at}`)
  const tapped = bundle.events.flatMap(({ at, body }): PastReaction[] => {
    if (body.kind !== 'contraAction' || body.suspected === null) return []
    const product = bundle.shelf.find((item) => item.product.id === body.suspected)?.product
    if (!product || known.includes(`${product.id} ${at}`)) return []
    const { id: productId, name: productName, inci } = product
    return [{ at, day: bundle.today, productId, productName, inci, what: body.what }]
  })
  return [...tapped, ...bundle.reactions]
}
