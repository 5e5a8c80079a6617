import { createHash, timingSafeEqual } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { setupPost } from '#contracts/house'
import { branches, practice, rooms, staff } from '#db/schema'
import { conflict, ProblemError } from '../../problem/problem'
import { FIRST_BRANCH, inBranch } from '../branch'
import { database } from '../database'
import { refuseCommon } from '../session/commonPasswords'
import { hashSecret } from '../session/passwords'

/** How a house begins that nobody has told anything yet. */
const FIRST_ROOM = 'Room 1'
const FIRST_SCHOOL = 'warmCloth'
const FIRST_EMERGENCY = '112'
/** A key that is shorter opens nothing. */
const LEAST_KEY_BYTES = 16

/** Whether nobody has begun this practice yet. */
export async function isUnclaimed(): Promise<boolean> {
  const [house] = await database().select({ id: practice.id }).from(practice)
  return house === undefined
}

/** The key that the start command has printed; without one no house is begun over the network. */
function fitsFirst(key: string): boolean {
  const wanted = Buffer.from(useRuntimeConfig().setupKey)
  const given = Buffer.from(key)
  return (
    wanted.length >= LEAST_KEY_BYTES &&
    wanted.length === given.length &&
    timingSafeEqual(wanted, given)
  )
}

/** The practice whose first hour a key opens, of the first one or of one that was added. */
async function branchOfKey(key: string): Promise<string | undefined> {
  if (fitsFirst(key)) return FIRST_BRANCH
  if (Buffer.byteLength(key) < LEAST_KEY_BYTES) return undefined
  const keyHash = createHash('sha256').update(`first-hour\n${key}`).digest('hex')
  const [row] = await database()
    .select({ id: branches.id })
    .from(branches)
    .where(eq(branches.keyHash, keyHash))
  return row?.id
}

/** Whether a key opens a first hour that nobody has begun. */
export async function opensFirstHour(key: string): Promise<boolean> {
  const branch = await branchOfKey(key)
  return branch !== undefined && inBranch(branch, isUnclaimed)
}

/**
 * Begins a house of one's own: the practice, a room and its owner, all or nothing.
 * @returns the practice that was begun, of those that share this database
 * @throws ProblemError 403 without the printed key, 409 where it has been begun
 */
export async function beginHouse(body: z.infer<typeof setupPost>): Promise<string> {
  const branch = await branchOfKey(body.key)
  if (branch === undefined)
    throw new ProblemError(
      403,
      'Not allowed',
      'This page opens by the link that the start command prints.',
    )
  await inBranch(branch, () => begin(body))
  return branch
}

async function begin(body: z.infer<typeof setupPost>): Promise<void> {
  if (!(await isUnclaimed())) throw conflict('This practice is already set up: sign in.')
  refuseCommon(body.password)
  const passwordHash = await hashSecret(body.password)
  await database().transaction(async (tx) => {
    await tx.insert(practice).values({
      name: body.house,
      address: '',
      phone: '',
      emergency: FIRST_EMERGENCY,
      timeZone: body.timeZone,
      school: FIRST_SCHOOL,
    })
    await tx.insert(rooms).values({ id: crypto.randomUUID(), name: FIRST_ROOM })
    await tx.insert(staff).values({
      id: crypto.randomUUID(),
      name: body.name,
      email: body.email.toLowerCase(),
      role: 'owner',
      licences: body.licences,
      passwordHash,
    })
  })
}
