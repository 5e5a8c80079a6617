import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

const COST = { N: 32768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const KEY_BYTES = 32

const derive = (secret: string, salt: Buffer) =>
  new Promise<Buffer>((resolve, reject) => {
    scrypt(secret.normalize('NFKC'), salt, KEY_BYTES, COST, (error, key) =>
      error ? reject(error) : resolve(key),
    )
  })

/**
 * `scrypt$salt$key` in base64url; the cost stands in the code and a change of it makes a new
 * prefix.
 */
export async function hashSecret(secret: string): Promise<string> {
  const salt = randomBytes(16)
  return `scrypt$${salt.toString('base64url')}$${(await derive(secret, salt)).toString('base64url')}`
}

export async function secretMatches(secret: string, stored: string): Promise<boolean> {
  const [kind, salt, key] = stored.split('$')
  if (kind !== 'scrypt' || salt === undefined || key === undefined) return false
  const wanted = Buffer.from(key, 'base64url')
  const got = await derive(secret, Buffer.from(salt, 'base64url'))
  return wanted.length === got.length && timingSafeEqual(wanted, got)
}
