import { LEARNED, ROUNDING_MATTERS, START_LOW } from '../catalogue/rules/dosing'
import type { ProductKind } from '../catalogue/kinds'
import { FILMS, type Product } from '../catalogue/products/products'
import { ALL_PERCENT, percentOf } from '../units'

/** What was planned and what was taken of one kind at a visit, millilitres; measured, never assumed. */
export interface TakenOf {
  kind: ProductKind
  planned: number
  taken: number
}
/** How much of the usual amount a client is given, per cent, by kind. */
export type Learned = Partial<Record<ProductKind, number>>

/**
 * How far an amount may be learned away from the usual one, per cent of it: what protects is never
 * less, what works on the skin never more, and what is topped up begins low.
 */
export function learnedBounds(kind: ProductKind): { least: number; most: number } {
  if (FILMS[kind].floor) return { least: ALL_PERCENT, most: LEARNED.most }
  if (ROUNDING_MATTERS.includes(kind)) return { least: LEARNED.least, most: ALL_PERCENT }
  return { least: LEARNED.least, most: START_LOW.includes(kind) ? LEARNED.lowMost : LEARNED.most }
}

/**
 * What the visits of a client teach of their amounts: each moves it halfway to what was really taken,
 * within its bounds. What was not measured teaches nothing.
 * @param visits the oldest first
 */
export function learnedFrom(visits: readonly (readonly TakenOf[])[]): Learned {
  const learned: Learned = {}
  for (const visit of visits)
    for (const kind of new Set(visit.map((own) => own.kind))) {
      const own = visit.filter((one) => one.kind === kind)
      const planned = own.reduce((sum, one) => sum + one.planned, 0)
      const taken = own.reduce((sum, one) => sum + one.taken, 0)
      if (planned <= 0 || taken <= 0) continue
      const before = learned[kind] ?? ALL_PERCENT
      const { least, most } = learnedBounds(kind)
      const wanted = (before * (1 + taken / planned)) / 2
      learned[kind] = Math.min(most, Math.max(least, wanted))
    }
  return learned
}

/** Whom it is measured for: what this client's earlier visits taught, if anything. */
interface Knows {
  learned?: Learned
}
/** What of the usual amount this client is given, as a share; a piece is a piece. */
export const learnedShare = (
  { kind, dispenser }: Pick<Product, 'kind' | 'dispenser'>,
  { learned = {} }: Knows,
): number => (dispenser.kind === 'piece' ? 1 : percentOf(1, learned[kind] ?? ALL_PERCENT))

/** "a fifth less than usual, as taken before", where it is worth saying; empty where it is not. */
export function learnedWords(product: Pick<Product, 'kind' | 'dispenser'>, on: Knows): string {
  const percent = Math.round((learnedShare(product, on) - 1) * ALL_PERCENT)
  if (Math.abs(percent) < LEARNED.saidFrom) return ''
  return `${Math.abs(percent)} % ${percent > 0 ? 'more' : 'less'} than usual, as taken before`
}
