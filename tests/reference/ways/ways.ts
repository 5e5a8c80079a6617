import { DAY_WAYS } from './day'
import { EVENING_WAYS } from './evening'
import type { Way } from './way'

/** Twenty-one ways of working. */
export const WAYS: readonly Way[] = [...EVENING_WAYS, ...DAY_WAYS]
