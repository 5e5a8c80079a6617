import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { Transitions } from './transitions'

/**
 * Beyond this many surfaces the store is emptied; a client's whole day of plans needs a few
 * thousand.
 */
const MOST_SURFACES = 20_000

/** One store for each set of connecting steps that cannot be had; mostly none is missing. */
const stores = new Map<string, Transitions>()
/** The store for one solve; it is never emptied while one runs. */
export function transitions(without: readonly TechniqueId[]): Transitions {
  const key = without.join()
  let store = stores.get(key)
  if (!store || store.size > MOST_SURFACES) {
    store = new Transitions(without)
    stores.set(key, store)
  }
  return store
}
