import { toHundredths } from '#core/units'
import { randomBytes } from 'node:crypto'
import { asc, count, desc, eq, isNotNull, sql } from 'drizzle-orm'
import { bottleInHand } from '#core/planning/today/bottles'
import type { VisitBundle } from '#core/visit/bundle'
import { drawnFor, productsOf, type BottleOnRecord } from '#core/record/bottles'
import { readParts, recordParts } from '#core/visit/record'
import { amended } from '#core/record/amendment'
import { GENESIS, seal as sealParts } from '#core/record/seal'
import { sealedPart } from '#core/record/walk'
import { amendments, sealItems, seals, staff, visitEvents, visits } from '#db/schema'
import { askAfter } from '../after/checkIns'
import { conflict, refused } from '../../problem/problem'
import type { Visit } from '../access'
import { readBundle } from './bundle'
import { database, type Transaction } from '../database'
import { holdFor, mustAccept } from './holding'
import { keepCost } from '../money/money'
import { halvesUsed } from '../shelf/halves'
import { settleUsed } from '../shelf/settleUsed'
import type { Staff } from '../session/session'

/** How often a seal is tried again where another one was quicker. */
const ROUNDS = 5

const LOCK = 7_310_221
const AMENDMENTS_LOCK = 7_310_223
const salt = () => randomBytes(32).toString('hex')

/** Seals a visit on top of the practice's chain. Sealing twice is the same seal. */
export async function sealVisit(
  me: Staff,
  visit: Visit,
  { text, asItStands }: { text: string; asItStands: boolean },
): Promise<void> {
  if (visit.status === 'sealed') return
  mustAccept(visit, 'seal')
  if (visit.begunAt === null) throw refused('This visit was never begun: there is nothing to seal.')
  // The record is read first and sealed only if no tap came in meanwhile; otherwise it is read
  // again.
  for (let round = 0; round < ROUNDS; round++) {
    const bundle = await readBundle(me, visit)
    const unseen = bundle.plans.find((plan) => plan.unseen)
    if (unseen)
      throw refused(
        `Version ${unseen.version} of the plan was made by a trainee in the room: countersign it first.`,
        [{ field: 'plan', given: `version ${unseen.version}`, allowed: 'countersigned' }],
      )
    const parts = recordParts(bundle, text)
    if (!asItStands && readParts(parts).treatment?.rushed)
      throw refused(
        'This visit was tapped through in a few minutes. Confirm to seal it as it is.',
        [{ field: 'asItStands', given: 'false', allowed: 'true, to seal it as it is' }],
      )
    if (await sealAsRead(me, visit, bundle, text, parts)) return
  }
  throw conflict('Taps are still coming in from a tablet. Seal once they have arrived.')
}

type Parts = ReturnType<typeof recordParts>

async function sealAsRead(
  me: Staff,
  visit: Visit,
  bundle: VisitBundle,
  text: string,
  parts: Parts,
): Promise<boolean> {
  return database().transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${LOCK})`)
    const [again] = await tx.select().from(seals).where(eq(seals.visitId, visit.id))
    if (again) return true
    await tx.select({ id: visits.id }).from(visits).where(eq(visits.id, visit.id)).for('update')
    const [taps] = await tx
      .select({ n: count() })
      .from(visitEvents)
      .where(eq(visitEvents.visitId, visit.id))
    if (taps?.n !== bundle.events.length) return false
    const [last] = await tx.select().from(seals).orderBy(desc(seals.number)).limit(1)
    // Who seals and when is sealed with the rest.
    const own = { number: (last?.number ?? 0) + 1, by: me.id, at: new Date() }
    const all = [...parts, sealedPart(own)]
    const sealed = sealParts(all, all.map(salt), last?.head ?? GENESIS)
    const { prev, head } = sealed
    await tx.insert(seals).values({ ...own, visitId: visit.id, prev, head })
    await tx.insert(sealItems).values(
      sealed.items.map((i, place) => ({
        visitId: visit.id,
        place,
        name: i.name,
        commitment: i.commitment,
        content: i.content,
        salt: i.salt,
      })),
    )
    await tx
      .update(visits)
      .set({ status: 'sealed', recordText: text, version: visit.version + 1 })
      .where(eq(visits.id, visit.id))
    await drawDown(tx, me, bundle, parts)
    await askAfter(tx, visit.id, bundle.today, readParts(parts).work)
    await keepCost(tx, bundle)
    return true
  })
}

/** What was used comes off the bottle; a bottle is opened by its first use. */
async function drawDown(
  tx: Transaction,
  me: Staff,
  bundle: VisitBundle,
  parts: Parts,
): Promise<void> {
  const { treatment: draft } = readParts(parts)
  if (!draft) return
  const used = new Map<string, number>()
  const halves: string[] = []
  for (const line of draft.lines.filter(({ actualMinutes }) => actualMinutes !== null))
    for (const product of productsOf(line)) {
      const { lotId, drawn, halfId } = drawnOf(product, bundle, draft.rushed !== undefined)
      if (halfId !== undefined) halves.push(halfId)
      if (lotId !== undefined && drawn > 0) used.set(lotId, (used.get(lotId) ?? 0) + drawn)
    }
  const wanted = new Map([...used].map(([id, ml]) => [id, toHundredths(ml)]))
  await halvesUsed(tx, me, halves)
  await settleUsed(tx, wanted, { by: me.id, visitId: bundle.visit.id, day: bundle.today })
}

/** From which bottle a line of the record draws, how much, and which half it used up. */
function drawnOf(
  line: BottleOnRecord,
  { shelf, today }: VisitBundle,
  rushed: boolean,
): { lotId?: string; drawn: number; halfId?: string } {
  const item = shelf.find(({ product }) => product.id === line.id)
  if (!item) return { drawn: 0 }
  const { product, lots } = item
  const whole = lots.filter(({ half }) => !half)
  const lot =
    whole.find(({ code, id }) => code === line.lot || id === line.lot) ??
    bottleInHand(product, whole, today)
  const { half = false, takenMl, plannedMl } = line
  const millilitres = takenMl ?? (rushed ? 0 : plannedMl) ?? 0
  const halfId = half ? lots.find((own) => own.half)?.half?.id : undefined
  return {
    drawn: drawnFor(product, { millilitres, half }),
    ...(lot ? { lotId: lot.id } : {}),
    ...(halfId === undefined ? {} : { halfId }),
  }
}

/** Keeps the words of a record that is not sealed yet. Who has seen older ones is told. */
export async function saveText(
  visit: Visit,
  text: string,
  version: number,
): Promise<{ version: number }> {
  return database().transaction(async (tx) => {
    const now = await holdFor(tx, visit.id, 'recordText', 'update')
    if (now.recordText === text) return { version: now.version }
    if (version !== now.version)
      throw conflict('A colleague has changed this record. Your words are kept here.', [
        { field: 'version', given: String(version), allowed: String(now.version) },
      ])
    await tx
      .update(visits)
      .set({ recordText: text, version: now.version + 1 })
      .where(eq(visits.id, visit.id))
    return { version: now.version + 1 }
  })
}

/** Changes a sealed record in the open, on top of the practice's chain of amendments. */
export async function amend(
  me: Staff,
  visit: Visit,
  body: { id: string; after: string; reason: string },
): Promise<void> {
  mustAccept(visit, 'amendment')
  await database().transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${AMENDMENTS_LOCK})`)
    const [seal] = await tx.select().from(seals).where(eq(seals.visitId, visit.id))
    const earlier = await tx
      .select()
      .from(amendments)
      .where(eq(amendments.visitId, visit.id))
      .orderBy(asc(amendments.at))
    if (!seal || earlier.some((amendment) => amendment.id === body.id)) return
    const [last] = await tx
      .select({ number: amendments.number, head: amendments.head })
      .from(amendments)
      .where(isNotNull(amendments.number))
      .orderBy(desc(amendments.number))
      .limit(1)
    const before = earlier.at(-1)?.after ?? visit.recordText
    const at = new Date()
    const said = { ...body, before, seal: seal.head, by: me.id, at: at.toISOString() }
    const { number, prev, head, commitment, ...own } = amended(said, salt(), standing(last))
    await tx.insert(amendments).values({
      ...{ ...body, visitId: visit.id, before, by: me.id, at },
      ...{ number, prev, head, commitment, salt: own.salt },
    })
  })
}
const standing = (last: { number: number | null; head: string | null } | undefined) =>
  last?.number && last.head ? { number: last.number, head: last.head } : undefined

export async function therapistOf(visit: Visit): Promise<string> {
  const [row] = await database()
    .select({ name: staff.name })
    .from(staff)
    .where(eq(staff.id, visit.staffId))
  return row?.name ?? ''
}
