import type { VisitBundle } from '#core/visit/bundle'
import type { Visit } from '../access'
import { readBare } from './bareBundle'
import { earlierOf } from '../people/earlier'
import { momentOf } from './moment'
import type { Staff } from '../session/session'

/** Everything of one visit in one reply. Rights are checked by the caller. */
export async function readBundle(me: Staff, visit: Visit): Promise<VisitBundle> {
  const [bare, earlier] = await Promise.all([
    readBare(me, visit),
    earlierOf(me, visit.clientId, momentOf(visit), visit.id),
  ])
  return { ...bare, ...earlier }
}
