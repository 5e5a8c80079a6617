import { visitPatch, type VisitPatch } from '#contracts/visit'
import { versioned } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { changeVisit } from '../../../services/visits/booking'

/** What a change is, in the audit: the weightiest thing that it does. */
const changeOf = ({
  fellAway,
  startsAt,
  roomId,
  staffId,
  lateMinutes,
  nextVisitAt,
}: VisitPatch) => {
  if (fellAway === null) return 'visit.back'
  if (fellAway) return fellAway.as === 'noShow' ? 'visit.no-show' : 'visit.cancel'
  if (startsAt ?? roomId ?? staffId) return 'visit.move'
  if (lateMinutes !== undefined) return 'visit.late'
  return nextVisitAt === undefined ? 'visit.change' : 'visit.next'
}

export default route(
  { desk: true, does: changeOf, body: visitPatch, reply: versioned },
  async ({ me, id, body }) => changeVisit(me, await visitFor(me, id, 'book'), body),
)
