import type { LicenceId } from '#core/catalogue/kinds'
import * as tables from './schema'
import { hashOf, withOwner } from './owner'

const EVERY_LICENCE: LicenceId[] = [
  'basic',
  'machine',
  'current',
  'peel',
  'blade',
  'needling025',
  'needling05',
]

/** Marks the folder as somebody's own before anybody has begun the house in it. */
export async function claimEmpty(url: string): Promise<void> {
  await withOwner(url, (db) =>
    db.insert(tables.houseKind).values({ kind: 'own' }).onConflictDoNothing(),
  )
}

/** A house without demo data: the practice, a room, and its owner, all or nothing. */
export async function seedEmpty(
  url: string,
  owner: { name: string; email: string; password: string },
): Promise<void> {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  const person = {
    id: crypto.randomUUID(),
    name: owner.name,
    email: owner.email.toLowerCase(),
    role: 'owner' as const,
    licences: EVERY_LICENCE,
    passwordHash: hashOf(owner.password),
    demo: false,
  }
  await withOwner(url, (db) =>
    db.transaction(async (tx) => {
      await tx.insert(tables.houseKind).values({ kind: 'own' }).onConflictDoNothing()
      await tx.insert(tables.practice).values({
        name: 'Our practice',
        address: 'Address',
        phone: 'Phone',
        emergency: '112',
        timeZone,
        school: 'warmCloth',
      })
      await tx.insert(tables.rooms).values({ id: crypto.randomUUID(), name: 'Room 1' })
      await tx.insert(tables.staff).values(person)
    }),
  )
}
