import type { MethodReply, Protocol } from '#contracts/replies/method'
import { and, asc, desc, eq, isNull, max } from 'drizzle-orm'
import type { z } from 'zod'
import type { policyPut, protocolPost, protocolVersionPost } from '#contracts/method'
import { NO_POLICY, type HousePolicy } from '#core/catalogue/schools/schools'
import { housePolicies, protocols, protocolVersions, staff } from '#db/schema'
import { conflict, notFound } from '../../problem/problem'
import { database } from '../database'
import { readOwn } from './ownWays'
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
    await tx.insert(protocols).values({ id: body.id, name: body.name }).onConflictDoNothing()
    await tx
      .insert(protocolVersions)
      .values({ protocolId: body.id, version: 1, steps: body.steps, note: body.note, by: me.id })
      .onConflictDoNothing()
  })
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

/** Those that are offered for a plan, each in its latest version. */
export async function offeredProtocols(): Promise<
  { id: string; name: string; version: number; steps: Protocol['versions'][number]['steps'] }[]
> {
  return (await allProtocols()).flatMap((allProtocol) => {
    const latest = allProtocol.versions[0]
    return allProtocol.retired || !latest
      ? []
      : [
          {
            id: allProtocol.id,
            name: allProtocol.name,
            version: latest.version,
            steps: latest.steps,
          },
        ]
  })
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
