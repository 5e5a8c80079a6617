import type { HousePage } from '#contracts/replies/house'
import { and, count, eq, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { devicePut, practicePut, roomPut } from '#contracts/house'
import { DEVICE_KINDS } from '#core/catalogue/kinds'
import type { DeviceKey } from '#core/catalogue/techniques/ownShapes'
import { deviceParts, devices, ownKinds, practice, products, rooms, staff } from '#db/schema'
import { conflict, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { thePractice } from '../practice'
import { hasFactor } from '../session/secondFactor'
import type { Staff } from '../session/session'

/** What the house is furnished with. */
export async function readHouse(): Promise<HousePage> {
  const db = database()
  const [house, places, machines, people, parts, [shelf], kinds] = await Promise.all([
    thePractice(),
    db.select().from(rooms).orderBy(rooms.name),
    db.select().from(devices).orderBy(devices.name),
    db.select().from(staff).orderBy(staff.name),
    db.select().from(deviceParts).orderBy(deviceParts.name),
    db.select({ n: count() }).from(products).where(eq(products.retired, false)),
    db.select().from(ownKinds).orderBy(ownKinds.at),
  ])
  const { id: _one, allows: _scope, ...fields } = house
  return {
    house: fields,
    rooms: places,
    devices: machines.map((device) => ({
      ...device,
      parts: parts.filter(({ deviceId }) => deviceId === device.id).map(partLine),
    })),
    ownKinds: kinds.map(({ kind: { id, name }, retiredAt }) => ({
      ...{ kind: id, name },
      retired: retiredAt !== null,
    })),
    people: people.map(({ id, name, email, role, active, passwordHash, ...own }) => ({
      id,
      name,
      email,
      role,
      active,
      joined: passwordHash !== '',
      hasFactor: hasFactor(own),
    })),
    products: shelf?.n ?? 0,
  }
}

const partLine = ({ id, name, pieces, reorderPieces }: typeof deviceParts.$inferSelect) => ({
  ...{ id, name, pieces, reorderPieces },
})

/** An edit that has seen an older version is refused: nobody's change is lost silently. */
export async function changeHouse(me: Staff, body: z.infer<typeof practicePut>): Promise<void> {
  const { version, retentionYears, ...fields } = body
  if (body.ownersSecondFactor && !hasFactor(me))
    throw refused('Set up your own second factor first, under You; then ask it of all owners.', [
      { field: 'ownersSecondFactor', given: 'yes', allowed: 'after your own is set up' },
    ])
  await database().transaction(async (tx) => {
    const done = await tx
      .update(practice)
      .set({ ...fields, version: sql`${practice.version} + 1` })
      .where(and(eq(practice.id, 1), eq(practice.version, version)))
      .returning({ version: practice.version })
    if (done.length === 0)
      throw conflict('A colleague has changed this. Check their version, then save again.')
    await tx.execute(sql`select change_retention(${me.id}::uuid, ${retentionYears})`)
  })
}

/** A room, new or changed. The last open one stays: without a room nobody can be booked. */
export async function keepRoom(body: z.infer<typeof roomPut>): Promise<void> {
  await database().transaction(async (tx) => {
    await tx
      .insert(rooms)
      .values(body)
      .onConflictDoUpdate({
        target: rooms.id,
        set: { name: body.name, closed: body.closed },
      })
    const [open] = await tx.select({ n: count() }).from(rooms).where(eq(rooms.closed, false))
    if (open?.n === 0) throw refused('The last room stays open: visits need one.')
  })
}

async function mustBeKind(tx: Transaction, kind: DeviceKey): Promise<void> {
  if (isKind(kind)) return
  const [own] = await tx.select().from(ownKinds).where(eq(ownKinds.id, kind))
  if (!own)
    throw refused('This kind of device is not on your list.', [
      { field: 'kind', given: kind, allowed: 'a kind of the list' },
    ])
}
const isKind = (kind: string): boolean => DEVICE_KINDS.some((own) => own === kind)

/** A device with its parts, new or changed; what kind of thing it is stands. */
export async function keepDevice(body: z.infer<typeof devicePut>): Promise<void> {
  const { id, kind, parts, ...set } = body
  await database().transaction(async (tx) => {
    await mustBeKind(tx, kind)
    await tx
      .insert(devices)
      .values({ id, kind, ...set })
      .onConflictDoUpdate({ target: devices.id, set })
    if (parts === undefined) return
    await tx.delete(deviceParts).where(eq(deviceParts.deviceId, id))
    if (parts.length > 0)
      await tx.insert(deviceParts).values(parts.map((part) => ({ ...part, deviceId: id })))
  })
}
