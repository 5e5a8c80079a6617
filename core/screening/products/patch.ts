import { PATCH_DAYS, PATCH_HOURS } from '../../catalogue/rules/screening'
import { DAY_HOURS, HOUR_MS } from '../../units'
import { INGREDIENTS, ingredientsIn } from '../../catalogue/products/ingredients'
import type { Product } from '../../catalogue/products/products'
import type { Profile } from '../../skin/profile'
import type { AskAgain } from '../asking/retest'
import { kitchenPatch } from './kitchen'

/**
 * A dab of a product behind the ear or inside the elbow, and what was seen there. Times are
 * milliseconds since 1970.
 */
export interface PatchTest {
  id: string
  productId: string
  place: PatchPlace
  placedAt: number
  reads: readonly PatchRead[]
}
interface PatchRead {
  at: number
  result: 'clear' | 'reaction'
}
export const PATCH_PLACES = ['behindEar', 'innerElbow'] as const
export type PatchPlace = (typeof PATCH_PLACES)[number]
export const PATCH_PLACE_NAMES: Readonly<Record<PatchPlace, string>> = {
  behindEar: 'behind the ear',
  innerElbow: 'inner elbow',
}

export type PatchState =
  | { kind: 'notNeeded' }
  | { kind: 'due'; why: string }
  | { kind: 'waiting'; from: number }
  | { kind: 'readable'; since: number }
  | { kind: 'clear'; until: number; lookAgain?: number }
  | { kind: 'reaction'; at: number }

/**
 * Why a product asks for a patch test on this skin before its first use here; undefined when it
 * asks for none.
 */
export function patchReason(
  product: Product,
  profile: Profile,
  usedBefore: boolean,
): string | undefined {
  const kitchen = usedBefore || !product.recipe ? undefined : kitchenPatch(product)
  if (kitchen !== undefined) return `${kitchen}, new to this client`
  if (
    usedBefore ||
    !(profile.conditions.includes('sensitive') || profile.conditions.includes('reactive'))
  )
    return undefined
  if (product.acid) return 'an acid, new to sensitive skin'
  const asks = ingredientsIn(product.inci).flatMap((i) => INGREDIENTS[i].patch ?? [])
  const first = asks.find((ask) => ask !== INGREDIENTS.fragrance.patch) ?? asks[0]
  return first === undefined ? undefined : `${first}, new to sensitive skin`
}

/**
 * Where a product's test stands at a moment. A reaction counts for good, whatever was read before
 * or after;
 * a clear reading counts from 24 h on, until what makes it count no longer (`again`). Without a
 * test the product is due whenever it asks for one.
 */
export function patchState(
  product: Product,
  tests: readonly PatchTest[],
  profile: Profile,
  usedBefore: boolean,
  now: number,
  again?: AskAgain,
): PatchState {
  const own = tests
    .filter((patchTest) => patchTest.productId === product.id && patchTest.placedAt <= now)
    .sort((one, other) => other.placedAt - one.placedAt)
  const bad = own
    .flatMap((patchTest) => patchTest.reads)
    .filter((patchRead) => patchRead.result === 'reaction')
    .sort((one, other) => other.at - one.at)[0]
  if (bad) return { kind: 'reaction', at: bad.at }
  const why = patchReason(product, profile, usedBefore)
  const last = own[0]
  if (last && again && again.at > last.placedAt && again.at <= now)
    return { kind: 'due', why: again.why }
  if (last && now < last.placedAt + PATCH_DAYS * DAY_HOURS * HOUR_MS) {
    const reads = last.reads.filter(
      (read) => read.at >= last.placedAt + PATCH_HOURS.first * HOUR_MS,
    )
    if (reads.length > 0)
      return {
        kind: 'clear',
        until: last.placedAt + PATCH_DAYS * DAY_HOURS * HOUR_MS,
        ...(reads.some((read) => read.at >= last.placedAt + PATCH_HOURS.second * HOUR_MS)
          ? {}
          : { lookAgain: last.placedAt + PATCH_HOURS.second * HOUR_MS }),
      }
    const from = last.placedAt + PATCH_HOURS.first * HOUR_MS
    return now < from ? { kind: 'waiting', from } : { kind: 'readable', since: from }
  }
  return why === undefined ? { kind: 'notNeeded' } : { kind: 'due', why }
}

/** What keeps a product from being planned, in a word; undefined when nothing does. */
export function patchBar(state: PatchState): string | undefined {
  switch (state.kind) {
    case 'due':
      return `patch test first: ${state.why}`
    case 'waiting':
      return 'patch test placed, not to be read yet'
    case 'readable':
      return 'patch test not read yet'
    case 'reaction':
      return 'reacted at its patch test'
    default:
      return undefined
  }
}

/** Why a patch test cannot be called clear yet; undefined once it can. Times in milliseconds. */
export function tooEarly(placedAt: number, now: number): string | undefined {
  const hours = (now - placedAt) / HOUR_MS
  if (hours >= PATCH_HOURS.first) return undefined
  return (
    `Too early to call it clear: it is read at ${PATCH_HOURS.first} h and again at ` +
    `${PATCH_HOURS.second} h; ${Math.floor(hours)} h have passed.`
  )
}
