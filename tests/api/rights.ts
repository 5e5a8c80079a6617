import type { Who } from '../support/accounts'

export type Kind = Who | 'nobody'
export const KINDS: readonly Kind[] = ['owner', 'therapist', 'trainee', 'nobody']
/**
 * What each person may do: on their own visit or client (`own`), and on one of a colleague
 * (`other`).
 */
export interface Row {
  route: string
  body?: (id: string, who: Kind) => unknown
  own: readonly Who[]
  other?: readonly Who[]
  object?: 'visit' | 'client'
  /** What a route cannot be asked without. */
  query?: string
}
export const ALL: readonly Who[] = ['owner', 'therapist', 'trainee']
export const SENIOR: readonly Who[] = ['owner', 'therapist']
export const OWNER: readonly Who[] = ['owner']
