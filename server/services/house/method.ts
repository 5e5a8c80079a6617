import type { VisitBundle } from '#core/visit/bundle'
import type { MethodReply, Protocol } from '#contracts/replies/method'
import { and, asc, desc, eq, isNull, max, ne } from 'drizzle-orm'
import type { z } from 'zod'
import type { policyPut, protocolPost, protocolVersionPost } from '#contracts/method'
import { NO_POLICY, type HousePolicy } from '#core/catalogue/schools/schools'
import type { ProtocolStep } from '#core/catalogue/techniques/step'
import type { OwnWay } from '#core/catalogue/techniques/techniques'
import { housePolicies, protocols, protocolVersions, staff } from '#db/schema'
import { conflict, notFound, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { readOwn, waysNow } from './ownWays'
import type { Staff } from '../session/session'

/** What the house has decided last. */
export async function policyNow(): Promise<HousePolicy> {
  const [row] = await database()
    .select()
    .from(housePolicies)
    .orderBy(desc(housePolicies.at))
    .limit(1)
  return row?.policy ?? NO_POLICY
}

/** Each decision stays in the record with its reason; the latest stands. */
export async function decidePolicy(me: Staff, body: z.infer<typeof policyPut>): Promise<void> {
  await database()
    .insert(housePolicies)
    .values({ id: body.id, policy: body.policy, reason: body.reason, by: me.id })
    .onConflictDoNothing()
}

export async function keepProtocol(me: Staff, body: z.infer<typeof protocolPost>): Promise<void> {
  await database().transaction(async (tx) => {
    await mustPair(tx, body)
    await tx
      .insert(protocols)
      .values({ id: body.id, name: body.name, expressOf: body.expressOf })
      .onConflictDoNothing()
    await tx
      .insert(protocolVersions)
      .values({ protocolId: body.id, version: 1, steps: body.steps, note: body.note, by: me.id })
      .onConflictDoNothing()
  })
}

/** One short protocol goes with a full one; two kept at once are told of each other. */
async function mustPair(
  tx: Transaction,
  { id, expressOf }: z.infer<typeof protocolPost>,
): Promise<void> {
  if (expressOf === null) return
  const [full] = await tx.select().from(protocols).where(eq(protocols.id, expressOf)).for('update')
  if (!full || full.expressOf !== null || full.retiredAt !== null)
    throw refused('The full protocol is not offered any longer.', [
      { field: 'expressOf', given: expressOf, allowed: 'a full protocol that is offered' },
    ])
  const [other] = await tx
    .select()
    .from(protocols)
    .where(
      and(eq(protocols.expressOf, expressOf), isNull(protocols.retiredAt), ne(protocols.id, id)),
    )
  if (other) throw conflict('This protocol has an express one already. Save a version of that.')
}

/** A further version. The number is claimed by whoever is first. */
export async function keepVersion(
  me: Staff,
  id: string,
  body: z.infer<typeof protocolVersionPost>,
): Promise<void> {
  const [latest] = await database()
    .select({ v: max(protocolVersions.version) })
    .from(protocolVersions)
    .where(eq(protocolVersions.protocolId, id))
  if (latest?.v == null) throw notFound()
  if (body.version !== latest.v + 1)
    throw conflict('A colleague has just saved another version. It is shown now.')
  await database().insert(protocolVersions).values({
    protocolId: id,
    version: body.version,
    steps: body.steps,
    note: body.note,
    by: me.id,
  })
}

export async function retireProtocol(id: string): Promise<void> {
  const done = await database()
    .update(protocols)
    .set({ retiredAt: new Date() })
    .where(and(eq(protocols.id, id), isNull(protocols.retiredAt)))
    .returning({ id: protocols.id })
  if (done.length === 0) throw notFound()
}

export async function allProtocols(): Promise<Protocol[]> {
  const [heads, versions] = await Promise.all([
    database().select().from(protocols).orderBy(asc(protocols.name)),
    database()
      .select({ v: protocolVersions, by: staff.name })
      .from(protocolVersions)
      .innerJoin(staff, eq(staff.id, protocolVersions.by))
      .orderBy(desc(protocolVersions.version)),
  ])
  return heads.map((head) => ({
    id: head.id,
    name: head.name,
    expressOf: head.expressOf,
    retired: head.retiredAt !== null,
    versions: versions
      .filter(({ v: version }) => version.protocolId === head.id)
      .map(({ v: other, by }) => ({
        version: other.version,
        steps: other.steps,
        note: other.note,
        by,
        at: other.at.getTime(),
      })),
  }))
}

/** Each in the way that is worked now; one that was put away is the technique itself again. */
const inWays = (steps: readonly ProtocolStep[], ways: readonly OwnWay[]): ProtocolStep[] =>
  steps.map(({ own, ...step }) => {
    const now = ways.find(({ id }) => id === own?.id)
    return { ...step, ...(now ? { own: now } : {}) }
  })

/** Those that are offered for a plan, each in its latest version; a short one only with its full one. */
export async function offeredProtocols(): Promise<VisitBundle['protocols']> {
  const [all, ways] = await Promise.all([allProtocols(), waysNow()])
  const live = all.filter(({ retired }) => !retired)
  return live.flatMap(({ id, name, expressOf, versions: [latest] }) =>
    latest && (expressOf === null || live.some((full) => full.id === expressOf))
      ? [{ id, name, expressOf, version: latest.version, steps: inWays(latest.steps, ways) }]
      : [],
  )
}

export async function readMethod(me: Staff): Promise<MethodReply> {
  const [rows, kept, own] = await Promise.all([
    database()
      .select({ p: housePolicies, by: staff.name })
      .from(housePolicies)
      .innerJoin(staff, eq(staff.id, housePolicies.by))
      .orderBy(desc(housePolicies.at))
      .limit(20),
    allProtocols(),
    readOwn(),
  ])
  return {
    policy: rows[0]?.p.policy ?? NO_POLICY,
    history: rows.map(({ p: point, by }) => ({
      at: point.at.getTime(),
      by,
      reason: point.reason,
      policy: point.policy,
    })),
    protocols: kept,
    own,
    mayDecide: me.role === 'owner',
    mayKeep: me.role !== 'trainee',
  }
}
