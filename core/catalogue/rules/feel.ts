import type { StageId } from '../kinds'

/** How the skin feels to the client, as it is asked after cleansing and at the end. Common practice. */
export const FEELS = ['soft', 'tight', 'dry'] as const
export type Feel = (typeof FEELS)[number]
/** Stages of which the client is asked how it feels. */
export const FELT_AFTER: readonly StageId[] = ['deepCleanse', 'close']
/** What tells that a cleanse took too much: a milder one is advised at the next visit. */
export const TOOK_TOO_MUCH: readonly Feel[] = ['tight', 'dry']
