import { and, eq } from 'drizzle-orm'
import type { z } from 'zod'
import type {
  halvesPost,
  liftPost,
  patchReadPost,
  patchTestPost,
  preferencesPut,
  withdrawalPost,
} from '#contracts/care'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { DRANK_RULE } from '#core/catalogue/products/watering'
import { REACTED_RULE } from '#core/screening/products/reactions'
import { liftTrouble } from '#core/screening/verdict/lifts'
import { tooEarly } from '#core/screening/products/patch'
import { patchTrouble } from '#core/screening/products/products'
import { toPlanInput } from '#core/visit/planInput'
import { clients, halfFaces, lifts, patchReads, patchTests, withdrawals } from '#db/schema'
import { forbidden, notFound, refused } from '../../problem/problem'
import type { Visit } from '../access'
import { readBundle } from './bundle'
import { database } from '../database'
import { mustAccept, unsign } from './holding'
import { myScope } from '../house/policy'
import type { Staff } from '../session/session'

export async function savePreferences(
  visit: Visit,
  body: z.infer<typeof preferencesPut>,
): Promise<void> {
  mustAccept(visit, 'preferences')
  await database()
    .update(clients)
    .set({ preferences: body.preferences })
    .where(eq(clients.id, visit.clientId))
}

export async function takeBack(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof withdrawalPost>,
): Promise<void> {
  mustAccept(visit, 'withdrawal')
  await database()
    .insert(withdrawals)
    .values({ id: body.id, clientId: visit.clientId, kinds: body.kinds, by: me.id })
    .onConflictDoNothing()
}

/** Sets a row aside for this visit, if this person may; the mark stays on the record. */
export async function setAside(
  me: Staff,
  visit: Visit,
  today: string,
  body: z.infer<typeof liftPost>,
): Promise<void> {
  if (me.role === 'trainee')
    throw forbidden('Trainees cannot override a restriction. Ask a colleague.')
  mustAccept(visit, 'override')
  if (body.rule !== REACTED_RULE && body.rule !== DRANK_RULE) {
    const row = CONTRAINDICATIONS.find((contraindication) => contraindication.id === body.rule)
    if (!row) throw notFound()
    const who = { role: me.role, licences: await myScope(me, today) }
    const trouble = liftTrouble(row, who, body.word)
    if (trouble !== undefined) throw refused(trouble)
  }
  await database()
    .insert(lifts)
    .values({
      id: body.id,
      visitId: visit.id,
      rule: body.rule,
      word: body.word,
      reason: body.reason,
      by: me.id,
    })
    .onConflictDoNothing()
  await unsign(database(), visit.id, 'aside')
}

export async function placePatch(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof patchTestPost>,
): Promise<void> {
  mustAccept(visit, 'patchTest')
  const bundle = await readBundle(me, visit)
  const item = bundle.shelf.find(({ product }) => product.id === body.productId)
  if (!item) throw notFound()
  const { verdict } = toPlanInput(bundle)
  const { product, lots } = item
  const trouble = patchTrouble(product, lots, verdict, bundle.answers, bundle.today)
  if (trouble)
    throw refused(`Not placed. ${product.name}: ${trouble.text}.`, [
      { field: 'productId', given: product.id, allowed: trouble.text },
    ])
  await database()
    .insert(patchTests)
    .values({
      id: body.id,
      clientId: visit.clientId,
      productId: body.productId,
      place: body.place,
      by: me.id,
    })
    .onConflictDoNothing()
}

/**
 * What was seen at the place. Clear is not said before a day has passed; a reaction may be said at
 * once.
 */
export async function readPatch(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof patchReadPost>,
): Promise<void> {
  mustAccept(visit, 'patchTest')
  const [test] = await database()
    .select()
    .from(patchTests)
    .where(and(eq(patchTests.id, body.testId), eq(patchTests.clientId, visit.clientId)))
  if (!test) throw notFound()
  const early = tooEarly(test.at.getTime(), Date.now())
  if (body.result === 'clear' && early) throw refused(early)
  await database()
    .insert(patchReads)
    .values({ id: body.id, testId: test.id, result: body.result, by: me.id })
    .onConflictDoNothing()
  await unsign(database(), visit.id, 'patch')
}

export async function saveHalves(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof halvesPost>,
): Promise<void> {
  mustAccept(visit, 'halves')
  await database()
    .insert(halfFaces)
    .values({
      id: body.id,
      visitId: visit.id,
      moment: body.moment,
      worked: body.worked,
      light: body.light,
      grades: body.grades,
      by: me.id,
    })
    .onConflictDoNothing()
}
