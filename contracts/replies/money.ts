import { z } from 'zod'
import { COST_IDS } from '#core/catalogue/rules/costs'
import { at, by, count, id, maybe, text } from './common'

const costLine = z.strictObject({
  what: z.enum(['product', 'things', 'wash', 'room', 'person', 'device']),
  name: text,
  cents: z.int(),
})
const price = z.strictObject({
  id,
  name: text,
  cents: count,
  retired: z.boolean(),
  version: z.int(),
})
export const moneyPage = z.strictObject({
  costs: z.strictObject({ cents: by(COST_IDS, count), version: z.int() }),
  prices: z.array(price),
})
export type MoneyPage = z.infer<typeof moneyPage>

/** What one visit costs and earns. */
export const visitMoney = z.strictObject({
  lines: z.array(costLine),
  cents: count,
  /** Of the record, once it is sealed; of the plan until then. */
  done: z.boolean(),
  price: z.strictObject({ id, cents: count }).nullable(),
  prices: z.array(price),
})
export type VisitMoney = z.infer<typeof visitMoney>

export const earned = z.strictObject({
  visits: z.array(
    z.strictObject({
      id,
      at,
      client: text,
      protocol: maybe,
      price: maybe,
      takenCents: count.nullable(),
      costCents: count,
    }),
  ),
  /** What was planned and what was taken of each product, millilitres. */
  products: z.array(
    z.strictObject({
      name: text,
      plannedMl: z.number(),
      takenMl: z.number(),
      thrownMl: z.number(),
      wasteCents: z.int(),
    }),
  ),
})
export type Earned = z.infer<typeof earned>
