import { hkdfSync } from 'node:crypto'
import type { Staff } from './session'

const KEY_BYTES = 32

/**
 * With what a tablet locks the drafts and taps it holds back for a person. It is given to whoever is
 * signed in and not locked, and is kept in memory only: a locked tablet cannot read what it holds,
 * nor can whoever signs in next.
 */
export const keepKey = (me: Pick<Staff, 'id'>): string =>
  Buffer.from(
    hkdfSync('sha256', useRuntimeConfig().sessionPassword, me.id, 'kept on a tablet', KEY_BYTES),
  ).toString('base64')
