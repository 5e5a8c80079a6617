import type { ShelfItem } from '../planning/input'

/** Half of a piece that was opened at a visit and kept here for the same client. */
export interface OpenHalf {
  id: string
  productId: string
  /** The code and date of the batch it came from. */
  code: string
  expires: string
  millilitres: number
  /** ISO day of the house, and milliseconds since 1970. */
  openedOn: string
  until: number
  visitId: string
}

/**
 * The shelf as this client has it: a half that was opened at an earlier visit is a bottle of theirs as
 * long as it is good at the moment of this one; late ones are none.
 * @param at milliseconds since 1970
 */
export const withHalves = (
  shelf: readonly ShelfItem[],
  halves: readonly OpenHalf[],
  { id, at }: { id: string; at: number },
): ShelfItem[] =>
  shelf.map(({ product, lots }) => {
    const own = halves.filter(
      (half) => half.productId === product.id && half.visitId !== id && half.until > at,
    )
    return {
      product,
      lots: [
        ...lots,
        ...own.map(({ id: halfId, code, expires, millilitres, openedOn, until }) => ({
          id: `half:${halfId}`,
          productId: product.id,
          code,
          expires,
          openedOn,
          recalled: lots.some((lot) => lot.code === code && lot.recalled),
          remainingMillilitres: millilitres,
          half: { id: halfId, until },
        })),
      ],
    }
  })
