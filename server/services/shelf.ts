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
    .map((row) => ({
      product: {
        id: row.id,
        name: row.name,
        line: row.line,
        kind: row.kind,
        inci: row.inci,
        density: fromThousandths(row.density),
        dispenser: row.dispenser,
        suits: row.suits,
        calming: row.calming,
        packMillilitres: row.packMillilitres,
        priceCents: row.priceCents,
        openMonths: row.openMonths,
        ...(row.acid === null ? {} : { acid: row.acid }),
        ...(row.pHHundredths === null ? {} : { pH: fromHundredths(row.pHHundredths) }),
      },
      lots: bottles
        .filter((bottle) => bottle.productId === row.id)
        .map((bottle) => ({
          id: bottle.id,
          productId: bottle.productId,
          code: bottle.code,
          expires: bottle.expires,
          recalled: bottle.recalled,
          remainingMillilitres: fromHundredths(bottle.remainingHundredths),
          ...(bottle.openedOn === null ? {} : { openedOn: bottle.openedOn }),
        })),
    }))
    .sort((one, other) => (one.product.id < other.product.id ? -1 : 1))
}
