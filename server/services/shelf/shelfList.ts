import type { ShelfPage, ShelfRow } from '#contracts/replies/shelf'
import { and, asc, count, desc, eq, gt, ilike, inArray, or, sql, type SQL } from 'drizzle-orm'
import type { ShelfQuery } from '#contracts/shelf'
import { KIND_NAMES, PRODUCT_KINDS } from '#core/catalogue/kinds'
import type { Lot } from '#core/catalogue/products/products'
import { lotBars } from '#core/screening/products/products'
import { fromHundredths } from '#core/units'
import { lots, products } from '#db/schema'
import { database } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import { suspectedProducts } from '../people/reactions'
import { lotOf, productOf } from './shelf'

/** What stands in bottles of a product that can be used: neither called back nor over its day. */
const standing = (today: string) =>
  database()
    .select({
      productId: lots.productId,
      left: sql<number>`coalesce(
        sum(${lots.remainingHundredths})
          filter (where not ${lots.recalled} and ${lots.expires} >= ${today}), 0)`.as('left'),
      ends: sql<string | null>`min(${lots.expires})`.as('ends'),
    })
    .from(lots)
    .where(gt(lots.remainingHundredths, 0))
    .groupBy(lots.productId)
    .as('standing')

/** Products whose name, line, kind or label has the word in it. */
function soughtBy(words: string): SQL | undefined {
  if (words === '') return undefined
  const like = `%${words.replace(/[%_\\]/g, '\\$&')}%`
  const kinds = PRODUCT_KINDS.filter((kind) =>
    KIND_NAMES[kind].toLowerCase().includes(words.toLowerCase()),
  )
  return or(
    ilike(products.name, like),
    ilike(products.line, like),
    sql`${products.inci}::text ilike ${like}`,
    kinds.length > 0 ? inArray(products.kind, kinds) : undefined,
  )
}

/**
 * A page of the shelf: products by name, kind, what is left or what ends first, each with the
 * bottles that hold something; the empty ones too where they are asked for.
 */
export async function listShelf(query: ShelfQuery): Promise<ShelfPage> {
  const { q: words, page, size, sort } = query
  const house = await thePractice()
  const today = dayIn(house.timeZone, Date.now())
  const held = standing(today)
  const left = sql<number>`coalesce(${held.left}, 0)`
  const isLow = sql`${products.reorderMillilitres} is not null and ${left} < ${products.reorderMillilitres} * 100`
  const wanted = and(
    query.retired ? undefined : eq(products.retired, false),
    query.low ? isLow : undefined,
    soughtBy(words),
  )
  const order = {
    name: [asc(sql`lower(${products.name})`)],
    kind: [asc(products.kind), asc(sql`lower(${products.name})`)],
    left: [asc(left)],
    ends: [sql`${held.ends} asc nulls last`],
  }[sort]
  const db = database()
  const [[all], [any], rows, suspected] = await Promise.all([
    db
      .select({ total: count() })
      .from(products)
      .leftJoin(held, eq(held.productId, products.id))
      .where(wanted),
    db.select({ id: products.id }).from(products).limit(1),
    db
      .select({ own: products, left })
      .from(products)
      .leftJoin(held, eq(held.productId, products.id))
      .where(wanted)
      .orderBy(...order, asc(products.id))
      .limit(size)
      .offset((page - 1) * size),
    suspectedProducts(),
  ])
  const bottles = await bottlesOf(
    rows.map(({ own }) => own.id),
    query.empty !== undefined,
  )
  const total = all?.total ?? 0
  return {
    today,
    currency: house.currency,
    total,
    page,
    pages: Math.max(1, Math.ceil(total / size)),
    nothing: any === undefined,
    items: rows.map(({ own, left: hundredths }) => ({
      ...rowOf(own, Number(hundredths), bottles.get(own.id) ?? [], today),
      suspected: suspected.get(own.id) ?? 0,
    })),
  }
}

function rowOf(
  own: typeof products.$inferSelect,
  hundredths: number,
  bottles: readonly Lot[],
  today: string,
): Omit<ShelfRow, 'suspected'> {
  const product = productOf(own)
  const leftMillilitres = fromHundredths(hundredths)
  const { version, retired, reorderMillilitres } = own
  return {
    ...{ product, version, retired, reorderMillilitres, leftMillilitres },
    low: reorderMillilitres !== null && leftMillilitres < reorderMillilitres,
    lots: bottles.map((lot) => ({
      ...lot,
      trouble: lotBars(lot, product, today)[0]?.text ?? null,
    })),
  }
}

async function bottlesOf(ids: readonly string[], emptyToo: boolean) {
  if (ids.length === 0) return new Map<string, ReturnType<typeof lotOf>[]>()
  const rows = await database()
    .select()
    .from(lots)
    .where(
      and(
        inArray(lots.productId, [...ids]),
        emptyToo ? undefined : gt(lots.remainingHundredths, 0),
      ),
    )
    .orderBy(asc(lots.expires), desc(lots.openedOn), asc(lots.id))
  const byProduct = new Map<string, ReturnType<typeof lotOf>[]>()
  for (const row of rows)
    byProduct.set(row.productId, [...(byProduct.get(row.productId) ?? []), lotOf(row)])
  return byProduct
}
