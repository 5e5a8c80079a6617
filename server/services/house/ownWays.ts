import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { ownKindPut, ownWayPut } from '#contracts/ownWays'
import type { MethodReply } from '#contracts/replies/method'
import type { OwnKind } from '#core/catalogue/techniques/ownShapes'
import { ownTrouble } from '#core/catalogue/techniques/ownTrouble'
import type { DoneAs } from '#core/catalogue/techniques/ownWay'
import type { OwnWay } from '#core/catalogue/techniques/techniques'
import { ownKinds, ownWays } from '#db/schema'
import { conflict, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import type { Staff } from '../session/session'

const CHANGED = 'A colleague has changed this. Check their version, then save again.'

/** Every kind of device and every technique of the house's own, those no longer offered too. */
export async function readOwn(): Promise<MethodReply['own']> {
  const [kinds, ways] = await Promise.all([
    database().select().from(ownKinds).orderBy(asc(ownKinds.at)),
    waysWhere(),
  ])
  return {
    kinds: kinds.map(({ kind, version, retiredAt }) => ({
      ...{ kind, version },
      retired: retiredAt !== null,
    })),
    ways: ways.map(({ own, device, retired }) => ({
      way: whole(own.way, device),
      version: own.version,
      retired,
    })),
  }
}

/** Techniques as this house does them now. */
export const waysNow = async (): Promise<OwnWay[]> =>
  (await waysWhere()).flatMap(({ own, device, retired }) =>
    retired ? [] : [whole(own.way, device)],
  )

async function waysWhere() {
  const rows = await database()
    .select({ own: ownWays, device: ownKinds.kind, deviceGone: ownKinds.retiredAt })
    .from(ownWays)
    .leftJoin(ownKinds, eq(ownKinds.id, ownWays.deviceId))
    .orderBy(asc(ownWays.at))
  return rows.map(({ own, device, deviceGone }) => ({
    ...{ own, device },
    retired: own.retiredAt !== null || deviceGone !== null,
  }))
}
const whole = (way: Omit<OwnWay, 'device'>, device: OwnKind | null): OwnWay => ({
  ...way,
  ...(device ? { device } : {}),
})

/** Keeps a kind of device; what it works like stands once it is there. */
export async function keepOwnKind(
  me: Staff,
  { kind, version, retired }: z.infer<typeof ownKindPut>,
): Promise<void> {
  await database().transaction(async (tx) => {
    const [there] = await tx.select().from(ownKinds).where(eq(ownKinds.id, kind.id)).for('update')
    if ((there?.version ?? 0) !== version) throw conflict(CHANGED)
    if (there && there.kind.from !== kind.from)
      throw refused('What it works like cannot be changed. Add another kind instead.', [
        { field: 'from', given: kind.from, allowed: there.kind.from },
      ])
    const row = { kind, retiredAt: retired ? new Date() : null, by: me.id }
    await tx
      .insert(ownKinds)
      .values({ id: kind.id, ...row })
      .onConflictDoUpdate({
        target: ownKinds.id,
        set: { ...row, version: sql`${ownKinds.version} + 1` },
      })
    await holdToDevice(tx, kind)
  })
}

/** No technique that is done with a device may be left without a level on its dial. */
async function holdToDevice(tx: Transaction, device: OwnKind): Promise<void> {
  const used = await tx
    .select()
    .from(ownWays)
    .where(and(eq(ownWays.deviceId, device.id), isNull(ownWays.retiredAt)))
  for (const { way } of used) refuseLooser(whole(way, device))
}

/** Keeps a technique of the house's own: stricter than the one it comes from, never looser. */
export async function keepOwnWay(
  me: Staff,
  { way: { deviceId, ...way }, version, retired }: z.infer<typeof ownWayPut>,
): Promise<void> {
  await database().transaction(async (tx) => {
    const [there] = await tx.select().from(ownWays).where(eq(ownWays.id, way.id)).for('update')
    if ((there?.version ?? 0) !== version) throw conflict(CHANGED)
    if (there && there.way.from !== way.from)
      throw refused('What it comes from cannot be changed. Add another technique instead.', [
        { field: 'from', given: way.from, allowed: there.way.from },
      ])
    if (!retired) refuseLooser(whole(way, await deviceIn(tx, deviceId)))
    const row = {
      way,
      deviceId: deviceId ?? null,
      retiredAt: retired ? new Date() : null,
      by: me.id,
    }
    await tx
      .insert(ownWays)
      .values({ id: way.id, ...row })
      .onConflictDoUpdate({
        target: ownWays.id,
        set: { ...row, version: sql`${ownWays.version} + 1` },
      })
    if (way.usual && !retired) await tx.execute(onlyUsual(way))
  })
}

/** One way of a technique is planned instead of it: the latest that was chosen for that. */
const onlyUsual = ({ id, from }: Pick<OwnWay, 'id' | 'from'>) =>
  sql`update own_ways set way = way || '{"usual": false}', version = version + 1
    where id <> ${id} and way->>'from' = ${from} and (way->>'usual')::boolean`

async function deviceIn(tx: Transaction, id: string | undefined): Promise<OwnKind | null> {
  if (id === undefined) return null
  const [row] = await tx
    .select()
    .from(ownKinds)
    .where(and(eq(ownKinds.id, id), isNull(ownKinds.retiredAt)))
  if (!row)
    throw refused('This kind of device is not on your list.', [
      { field: 'deviceId', given: id, allowed: 'one of your own kinds' },
    ])
  return row.kind
}

function refuseLooser(own: OwnWay): void {
  const troubles = ownTrouble(own)
  const [first] = troubles
  if (!first) return
  throw refused(
    `A technique of your own can be stricter, never looser. ${own.name}: ${first.allowed}.`,
    troubles.map(({ field, allowed }) => ({ field, given: own.name, allowed })),
  )
}

/** Refuses a plan that names a way this house never had. */
export async function refuseStrangeWays(steps: readonly DoneAs[]): Promise<void> {
  const ids = [...new Set(steps.flatMap(({ own }) => own?.id ?? []))]
  if (ids.length === 0) return
  const known = await database()
    .select({ id: ownWays.id })
    .from(ownWays)
    .where(inArray(ownWays.id, ids))
  const strange = steps.find(({ own }) => own && !known.some(({ id }) => id === own.id))
  if (strange)
    throw refused('Not saved: a step is done in a way that this practice does not know.', [
      { field: 'own', given: strange.own?.name ?? '', allowed: 'a technique of the practice' },
    ])
}
