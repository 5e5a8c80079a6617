/**
 * Days before its last day on which a licence is spoken of: first, again, and pressing. House
 * values.
 */
export const LICENCE_SAID_DAYS = { first: 60, again: 30, pressing: 7 } as const
/** Days without a backup after which an owner is told. House value. */
export const BACKUP_SAID_DAYS = 3
/** Days before a device's service is due on which it is spoken of. House value. */
export const SERVICE_SAID_DAYS = 14

/**
 * A bottle that was opened so few days ago may be in a room still, although the shelf calls it empty.
 * House value.
 */
export const IN_HAND_DAYS = 60
