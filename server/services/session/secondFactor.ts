import { createCipheriv, createDecipheriv, createHmac, hkdfSync, randomBytes } from 'node:crypto'
import { and, eq, lt, sql } from 'drizzle-orm'
import { Secret, TOTP } from 'otpauth'
import { staff } from '#db/schema'
import { ProblemError, refused } from '../../problem/problem'
import { database } from '../database'
import { thePractice } from '../practice'
import { askPassword } from './askPassword'
import type { Staff } from './session'
import { countTry, forgetTries, tryKey } from './throttle'

/** RFC 6238: thirty seconds a step, one step early or late is taken. */
const PERIOD_SECONDS = 30
const DIGITS = 6
const WINDOW = 1
const SECRET_BYTES = 20
const KEY_BYTES = 32
const IV_BYTES = 12
const TAG_BYTES = 16
const SECOND_MS = 1000
const CODE_TRIES = 5
/** A secret that was shown and not confirmed yet: nothing asks for it. */
const PENDING = -1
/** Without one, and without its recovery codes. */
export const NO_FACTOR = { totpSecret: null, totpStep: 0, recoveryHashes: [] }

const key = () =>
  Buffer.from(
    hkdfSync('sha256', useRuntimeConfig().sessionPassword, '', 'second factor', KEY_BYTES),
  )
/** Secrets lie in the tables locked: whoever reads a copy of them has no codes. */
function locked(secret: Buffer): string {
  const iv = randomBytes(IV_BYTES)
  const cipher = createCipheriv('aes-256-gcm', key(), iv)
  const body = Buffer.concat([cipher.update(secret), cipher.final()])
  return Buffer.concat([iv, cipher.getAuthTag(), body]).toString('base64url')
}
function unlocked(stored: string): Buffer {
  const bytes = Buffer.from(stored, 'base64url')
  const decipher = createDecipheriv('aes-256-gcm', key(), bytes.subarray(0, IV_BYTES))
  decipher.setAuthTag(bytes.subarray(IV_BYTES, IV_BYTES + TAG_BYTES))
  return Buffer.concat([decipher.update(bytes.subarray(IV_BYTES + TAG_BYTES)), decipher.final()])
}

const totpOf = (secret: Buffer, me: Pick<Staff, 'email'>, issuer: string) =>
  new TOTP({
    issuer,
    label: me.email,
    digits: DIGITS,
    period: PERIOD_SECONDS,
    secret: new Secret({ buffer: Uint8Array.from(secret).buffer }),
  })

export const hasFactor = (me: Pick<Staff, 'totpSecret' | 'totpStep'>): boolean =>
  me.totpSecret !== null && me.totpStep !== PENDING

/**
 * Owners of a house that asks for it, who have none: they may do nothing but set one up.
 * @param asked whether this house asks for it
 */
export const lacksFactor = (me: Staff, asked: boolean): boolean =>
  asked && me.role === 'owner' && !hasFactor(me)

/** A fresh secret, shown once: it counts when a code of it was given. */
export async function beginFactor(me: Staff, password: string): Promise<{ uri: string }> {
  await askPassword(me, password, 'Nothing was changed.')
  if (hasFactor(me)) throw refused('You have a second factor. End it first, then set up another.')
  const secret = randomBytes(SECRET_BYTES)
  await database()
    .update(staff)
    .set({ totpSecret: locked(secret), totpStep: PENDING })
    .where(eq(staff.id, me.id))
  return { uri: totpOf(secret, me, (await thePractice()).name).toString() }
}

/** @returns codes for the day on which the device is lost: shown once, kept as hashes */
export async function confirmFactor(me: Staff, code: string): Promise<string[]> {
  if (!me.totpSecret) throw refused('Begin with a fresh secret.')
  await takeCode(me, code)
  const codes = Array.from({ length: RECOVERY_CODES }, recoveryCode)
  await database()
    .update(staff)
    .set({ recoveryHashes: codes.map(hashOfRecovery) })
    .where(eq(staff.id, me.id))
  return codes
}

const RECOVERY_CODES = 8
const RECOVERY_BYTES = 10
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'
/** "k7mq2-w8rta": fifty bits, without letters that look alike. */
const recoveryCode = (): string => {
  const letters = [...randomBytes(RECOVERY_BYTES)].map((byte) => LETTERS[byte % LETTERS.length])
  return `${letters.slice(0, RECOVERY_BYTES / 2).join('')}-${letters.slice(RECOVERY_BYTES / 2).join('')}`
}
const hashOfRecovery = (code: string): string =>
  createHmac('sha256', key())
    .update(code.toLowerCase().replace(/[^a-z0-9]/g, ''))
    .digest('hex')

/**
 * The six digits of the second factor, or one of the recovery codes, each once.
 * @throws ProblemError 401 where neither fits, 429 after too many tries
 */
export async function takeCodeOrRecovery(me: Staff, code: string): Promise<void> {
  if (/^\s*\d{3}\s?\d{3}\s*$/.test(code)) return takeCode(me, code)
  const counted = tryKey('code', `factor ${me.id}`)
  await countTry({ key: counted, most: CODE_TRIES })
  const hash = hashOfRecovery(code)
  const used = await database()
    .update(staff)
    .set({ recoveryHashes: sql`${staff.recoveryHashes} - ${hash}::text` })
    .where(and(eq(staff.id, me.id), sql`jsonb_exists(${staff.recoveryHashes}, ${hash}::text)`))
    .returning({ id: staff.id })
  if (used.length === 0) throw wrongCode()
  await forgetTries(counted)
}
const wrongCode = () =>
  new ProblemError(401, 'Second factor', 'The code is wrong, or was used already.', [
    {
      field: 'code',
      given: 'a code',
      allowed: 'the six digits shown now, or a recovery code',
    },
  ])

/** Ends it, with a code of it, unless the house asks owners for one. The password was asked. */
export async function endFactor(me: Staff, code: string | undefined): Promise<void> {
  if (hasFactor(me)) await takeCodeOrRecovery(me, code ?? '')
  if (me.role === 'owner' && (await thePractice()).ownersSecondFactor)
    throw refused('Owners need a second factor here.')
  await database().update(staff).set(NO_FACTOR).where(eq(staff.id, me.id))
}

/**
 * Takes a code, each once: tries are counted before they are judged, and a code that was used does
 * not open again.
 * @throws ProblemError 401 where it does not fit, 429 after too many tries
 */
export async function takeCode(me: Staff, code: string): Promise<void> {
  const counted = tryKey('code', `factor ${me.id}`)
  await countTry({ key: counted, most: CODE_TRIES })
  const wrong = wrongCode()
  if (!me.totpSecret) throw wrong
  const token = code.replace(/\s/g, '')
  const delta = totpOf(unlocked(me.totpSecret), me, '').validate({ token, window: WINDOW })
  if (delta === null) throw wrong
  const step = Math.floor(Date.now() / SECOND_MS / PERIOD_SECONDS) + delta
  const used = await database()
    .update(staff)
    .set({ totpStep: step })
    .where(and(eq(staff.id, me.id), lt(staff.totpStep, step)))
    .returning({ id: staff.id })
  if (used.length === 0) throw wrong
  await forgetTries(counted)
}
