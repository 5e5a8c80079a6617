import { and, eq, sql } from 'drizzle-orm'
import type { ClientFields } from '#contracts/people'
import { clients } from '#db/schema'
import { treats } from '#core/visit/roles'
import { conflict, forbidden } from '../../problem/problem'
import type { Client } from '../access'
import { about } from '../auditing'
import { database } from '../database'
import type { Staff } from '../session/session'
import { endEverywhere } from './shares'

/** A client as the table holds one: what is not told is null. */
export const values = (clientFields: ClientFields) => ({
  name: clientFields.name,
  born: clientFields.born || null,
  phone: clientFields.phone || null,
  email: clientFields.email || null,
  work: clientFields.work || null,
  medicines: clientFields.medicines,
  notes: clientFields.notes,
  faceHeightMm: clientFields.faceHeightMm,
  faceWidthMm: clientFields.faceWidthMm,
  ...(clientFields.messages === undefined ? {} : { messages: clientFields.messages }),
  ...(clientFields.tags === undefined ? {} : { tags: [...new Set(clientFields.tags)] }),
})

export async function addClient(me: Staff, id: string, fields: ClientFields): Promise<void> {
  const { medicines, notes, tags = [] } = fields
  if (!treats(me.role) && (medicines !== '' || notes !== '' || tags.length > 0))
    throw forbidden('Medicines, notes and tags are for whoever treats. Leave them empty.')
  await database()
    .insert(clients)
    .values({ id, ...values(fields), createdBy: me.id })
    .onConflictDoNothing()
  about({ clientId: id })
}

/** An edit that has seen an older version is refused: nobody's change is lost silently. */
export async function editClient(
  client: Client,
  version: number,
  fields: ClientFields,
): Promise<number> {
  const done = await database()
    .update(clients)
    .set({ ...values(fields), version: version + 1 })
    .where(and(eq(clients.id, client.id), eq(clients.version, version)))
    .returning({ v: clients.version })
  if (done.length === 0)
    throw conflict(
      'A colleague has changed this file. What you typed is kept. Check their version, then save again.',
      [{ field: 'version', given: String(version), allowed: String(client.version) }],
    )
  return version + 1
}

/** The database refuses while the law keeps a record. */
export async function eraseClient(client: Client): Promise<void> {
  await endEverywhere(client)
  await database().execute(sql`select erase_client(${client.id}::uuid)`)
}
