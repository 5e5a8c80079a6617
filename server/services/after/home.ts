import { and, desc, eq, isNotNull } from 'drizzle-orm'
import type { z } from 'zod'
import { homeAsked as homeAskedShape, type homeAskedPost, type routinePost } from '#contracts/home'
import type { HomeReply } from '#contracts/replies/home'
import { routineFor } from '#core/home/routine'
import { homeQuestionOf } from '#core/visit/homeQuestion'
import { clientLinks, clients, homeAsked, homeRoutines, staff } from '#db/schema'
import type { Visit } from '../access'
import { database } from '../database'
import type { Staff } from '../session/session'
import { readBundle } from '../visits/bundle'
import { mustAccept } from '../visits/holding'
import { lastAsked } from './asked'
import { checkInsOf } from './checkIns'
import { messagesOf } from '../post/outbox'
import { postIs } from '../post/postLine'
import { referralsOf } from './referrals'

/** How many versions of a routine are shown. */
const MOST = 20

/** Keeps what a client says of home; nothing is overwritten. */
export async function saveAsked(
  me: Staff,
  visit: Visit,
  { id, asked }: z.infer<typeof homeAskedPost>,
): Promise<void> {
  mustAccept(visit, 'home')
  await database()
    .insert(homeAsked)
    .values({ id, clientId: visit.clientId, visitId: visit.id, asked, by: me.id })
    .onConflictDoNothing()
}

/** Works the routine out from what is stored and keeps it as the next version. */
export async function saveRoutine(
  me: Staff,
  visit: Visit,
  { id, asked, wishes }: z.infer<typeof routinePost>,
): Promise<void> {
  mustAccept(visit, 'home')
  const bundle = await readBundle(me, visit)
  const routine = routineFor(homeQuestionOf(bundle, asked, wishes))
  const own = { clientId: visit.clientId, visitId: visit.id, by: me.id }
  await database()
    .insert(homeRoutines)
    .values({ id, ...own, asked, wishes, routine })
    .onConflictDoNothing()
}

/** All that lies after a visit: home, questions to the client, what was sent, notes for a doctor. */
export async function afterwardsOf(visit: Visit): Promise<HomeReply> {
  const db = database()
  const [asked, forms, versions, checkIns, sent, referrals, contact] = await Promise.all([
    lastAsked(visit.clientId),
    db
      .select({ home: clientLinks.home })
      .from(clientLinks)
      .where(and(eq(clientLinks.visitId, visit.id), isNotNull(clientLinks.submittedAt)))
      .orderBy(desc(clientLinks.submittedAt))
      .limit(1),
    db
      .select({ routine: homeRoutines, by: staff.name })
      .from(homeRoutines)
      .innerJoin(staff, eq(staff.id, homeRoutines.by))
      .where(eq(homeRoutines.clientId, visit.clientId))
      .orderBy(desc(homeRoutines.at))
      .limit(MOST),
    checkInsOf(visit.id),
    messagesOf({ visitId: visit.id }),
    referralsOf(visit.id),
    db
      .select({ phone: clients.phone, email: clients.email, messages: clients.messages })
      .from(clients)
      .where(eq(clients.id, visit.clientId)),
  ])
  const [latest] = versions
  return {
    asked,
    fromClient: forms[0]?.home ? homeAskedShape.parse(forms[0].home) : null,
    routine: latest
      ? {
          at: latest.routine.at.getTime(),
          by: latest.by,
          visitId: latest.routine.visitId,
          asked: homeAskedShape.parse(latest.routine.asked),
          wishes: latest.routine.wishes,
          routine: latest.routine.routine,
        }
      : null,
    versions: versions.map(({ routine, by }) => ({ at: routine.at.getTime(), by })),
    checkIns,
    messages: sent,
    referrals,
    contact: contact[0] ?? { phone: null, email: null, messages: 'none' },
    sends: postIs(),
  }
}
