import { desc, eq, sql } from 'drizzle-orm'
import { canonical } from '#core/record/canonical'
import { medicinesAfter } from '#core/visit/medicines'
import type { z } from 'zod'
import { CONSENT_SENTENCE } from '#core/catalogue/consultation/consents'
import type { answersPut, consentPost, readingPost } from '#contracts/visit'
import { clients, consents, consultations, readings } from '#db/schema'
import type { Visit } from '../access'
import { database } from '../database'
import { holdFor, unsign } from './holding'
import type { Staff } from '../session/session'

/** Every save is a new version; the latest counts. The same id twice is the same save. */
export async function saveAnswers(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof answersPut>,
): Promise<void> {
  const answers = body.answers
  await database().transaction(async (tx) => {
    await holdFor(tx, visit.id, 'answers')
    const [last] = await tx
      .select({ answers: consultations.answers })
      .from(consultations)
      .where(eq(consultations.visitId, visit.id))
      .orderBy(desc(consultations.at))
      .limit(1)
    await tx
      .insert(consultations)
      .values({
        id: body.id,
        visitId: visit.id,
        clientId: visit.clientId,
        answers,
        medicines: body.medicines,
        by: me.id,
      })
      .onConflictDoNothing()
    const [onFile] = await tx
      .select({ medicines: clients.medicines })
      .from(clients)
      .where(eq(clients.id, visit.clientId))
      .for('update')
    const medicines = medicinesAfter(onFile?.medicines ?? '', body.medicinesSeen, body.medicines)
    // A new version of the file: whoever has it open is told before saving over it.
    if (medicines !== onFile?.medicines)
      await tx
        .update(clients)
        .set({ medicines, version: sql`${clients.version} + 1` })
        .where(eq(clients.id, visit.clientId))
    if (canonical(last?.answers ?? {}) !== canonical(answers)) await unsign(tx, visit.id, 'answers')
    // Whoever is at work hears of it before the step goes on.
    await tx.execute(sql`select pg_notify('visit', ${visit.id}::text)`)
  })
}

export async function saveConsent(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof consentPost>,
): Promise<void> {
  await database().transaction(async (tx) => {
    await holdFor(tx, visit.id, 'consent')
    await tx
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
  })
}

export async function saveReading(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof readingPost>,
): Promise<void> {
  await database().transaction(async (tx) => {
    await holdFor(tx, visit.id, 'reading')
    await tx
      .insert(readings)
      .values({
        id: body.id,
        visitId: visit.id,
        clientId: visit.clientId,
        phase: body.phase,
        zones: body.zones,
        whole: body.whole,
        by: me.id,
      })
      .onConflictDoNothing()
    await unsign(tx, visit.id, 'reading')
  })
}
