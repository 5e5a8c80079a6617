import { and, eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { answersPut, consentPost, readingPost } from '#contracts/visit'
import { clients, consents, consultations, plans, readings } from '#db/schema'
import { refused } from '../problem/problem'
import type { Visit } from './access'
import { database } from './database'
import type { Staff } from './session'

const open = (visit: Visit) => {
  if (visit.status === 'sealed' || visit.status === 'cancelled')
    throw refused('This visit is sealed. Amend the record instead.')
}
export const CONSENT_SENTENCE =
  'I have answered to the best of my knowledge, I know what is planned today and may stop it at any time.'

/** Every save is a new version; the latest counts. The same id twice is the same save. */
export async function saveAnswers(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof answersPut>,
): Promise<void> {
  open(visit)
  const answers = body.answers
  await database().transaction(async (tx) => {
    await tx
      .insert(consultations)
      .values({
        id: body.id,
        visitId: visit.id,
        clientId: visit.clientId,
        answers: answers as never,
        medicines: body.medicines,
        by: me.id,
      })
      .onConflictDoNothing()
    await tx
      .update(clients)
      .set({ medicines: body.medicines })
      .where(eq(clients.id, visit.clientId))
    await tx.update(plans).set({ countersignedBy: null }).where(draftOf(visit))
  })
}

export async function saveConsent(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof consentPost>,
): Promise<void> {
  open(visit)
  await database()
    .insert(consents)
    .values({
      id: body.id,
      visitId: visit.id,
      clientId: visit.clientId,
      method: body.method,
      name: body.method === 'typed' ? body.name : null,
      strokes: body.method === 'pen' ? body.strokes : null,
      guardian: body.guardian,
      sentence: CONSENT_SENTENCE,
      kinds: body.kinds,
      by: me.id,
    })
    .onConflictDoNothing()
}

export async function saveReading(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof readingPost>,
): Promise<void> {
  open(visit)
  await database().transaction(async (tx) => {
    await tx
      .insert(readings)
      .values({
        id: body.id,
        visitId: visit.id,
        clientId: visit.clientId,
        phase: body.phase,
        zones: body.zones as never,
        whole: body.whole as never,
        by: me.id,
      })
      .onConflictDoNothing()
    await tx.update(plans).set({ countersignedBy: null }).where(draftOf(visit))
  })
}

const draftOf = (visit: Visit) => and(eq(plans.visitId, visit.id), eq(plans.version, 0))
