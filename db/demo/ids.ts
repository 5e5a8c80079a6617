import { createHash } from 'node:crypto'

/** The same name gives the same id, so that loading the demo twice changes nothing. */
export function demoId(name: string): string {
  const digest = createHash('sha256').update(`oak-basin-demo\n${name}`).digest('hex')
  return `${digest.slice(0, 8)}-${digest.slice(8, 12)}-4${digest.slice(13, 16)}-8${digest.slice(17, 20)}-${digest.slice(20, 32)}`
}
export const demoSalt = (name: string) =>
  createHash('sha256').update(`oak-basin-demo-salt\n${name}`).digest('hex')
