import { fromHundredths, fromThousandths } from '#core/units'
import type { ShelfItem } from '#core/planning/input'
import { lots, products } from '#db/schema'
import { database } from './database'

/** The shelf as the core sees it. */
export async function readShelf(): Promise<ShelfItem[]> {
  const [rows, bottles] = await Promise.all([
    database().select().from(products),
    database().select().from(lots),
  ])
  return rows
    .map((p) => ({
      product: {
        id: p.id,
        name: p.name,
        line: p.line,
        kind: p.kind,
        inci: p.inci,
        density: fromThousandths(p.density),
        dispenser: p.dispenser,
        suits: p.suits,
        calming: p.calming,
        packMillilitres: p.packMillilitres,
        priceCents: p.priceCents,
        openMonths: p.openMonths,
        ...(p.acid === null ? {} : { acid: p.acid }),
        ...(p.pHHundredths === null ? {} : { pH: fromHundredths(p.pHHundredths) }),
      },
      lots: bottles
        .filter((l) => l.productId === p.id)
        .map((l) => ({
          id: l.id,
          productId: l.productId,
          code: l.code,
          expires: l.expires,
          recalled: l.recalled,
          remainingMillilitres: fromHundredths(l.remainingHundredths),
          ...(l.openedOn === null ? {} : { openedOn: l.openedOn }),
        })),
    }))
    .sort((a, b) => (a.product.id < b.product.id ? -1 : 1))
}
