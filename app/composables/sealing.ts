/**
 * What a tablet holds back is locked with a key that is the person's own, given by the house to
 * whoever is signed in and kept in memory alone: AES-GCM by the browser's Web Cryptography.
 */
const IV_BYTES = 12
export interface Sealed {
  iv: Uint8Array<ArrayBuffer>
  body: ArrayBuffer
}
export type Key = CryptoKey

/** @param key 32 bytes, base64 */
export async function keyFrom(key: string): Promise<Key> {
  const bytes = Uint8Array.from(atob(key), (letter) => letter.charCodeAt(0))
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt'])
}
/** The key that a secret of 256 random bits makes. */
export async function keyOf(secret: string): Promise<Key> {
  const text = new TextEncoder().encode(`kept on a device\n${secret}`)
  const bytes = await crypto.subtle.digest('SHA-256', text)
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt'])
}
export async function seal(key: Key, value: unknown): Promise<Sealed> {
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES))
  const text = new TextEncoder().encode(JSON.stringify(value))
  return { iv, body: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, text) }
}
/** @returns undefined where it was locked with another key */
export async function unseal(key: Key, { iv, body }: Sealed): Promise<unknown> {
  try {
    const text = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, body)
    return JSON.parse(new TextDecoder().decode(text)) as unknown
  } catch {
    return undefined
  }
}
