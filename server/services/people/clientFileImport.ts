import { randomUUID } from 'node:crypto'
import { clientDocument } from '#contracts/exchange'
import { canonical } from '#core/record/canonical'
import { digest, verify } from '#core/record/seal'
import { clients, imports } from '#db/schema'
import { fromZod } from '../../problem/problem'
import { about } from '../auditing'
import { database } from '../database'
import { readJson } from '../visits/exchange'
import type { Staff } from '../session/session'

/**
 * Takes in a whole client as this house or another has written one out: a file of their own, with the
 * document as it came. What was done at its visits counts as told; taken out again it is equal.
 * @param id of the client that is made
 */
export async function importClient(me: Staff, id: string, text: string): Promise<{ id: string }> {
  const raw = readJson(text)
  const parsed = clientDocument.safeParse(raw)
  if (!parsed.success) throw fromZod(parsed.error, raw)
  const doc = parsed.data
  const { name, born, phone, email, work, medicines, notes } = doc.client
  const { faceHeightMm, faceWidthMm, preferences } = doc.client
  const head = digest(canonical(raw))
  await database().transaction(async (tx) => {
    const made = await tx
      .insert(clients)
      .values({
        ...{ id, name, born, phone, email, work, medicines, notes, preferences },
        ...{ faceHeightMm, faceWidthMm, createdBy: me.id },
      })
      .onConflictDoNothing()
      .returning({ id: clients.id })
    if (made.length === 0) return
    const holds = sealsHold(doc)
    await tx.insert(imports).values({
      id: randomUUID(),
      clientId: id,
      document: raw,
      head,
      holds,
      ours: false,
      by: me.id,
    })
  })
  about({ clientId: id })
  return { id }
}

/** Whether every sealed record in the document is what was sealed. */
const sealsHold = ({ seals, record }: ReturnType<typeof clientDocument.parse>): boolean =>
  seals.every(({ visitId, prev, head }) => {
    const items = record
      .filter((item) => item.visitId === visitId)
      .sort((one, other) => one.place - other.place)
    return verify({ prev, head, items }).ok
  })
