import type { Page } from '@playwright/test'
import { signedIn, testUrl, type Caller } from './http'
import { alive } from './walk'
import { prepared, treating } from './visit'

/** A visit of its own for a test in the browser, made over the wire. */
let owner: Caller | undefined
/** Signed in once, and again where another test has ended this session. */
export async function asOwner(): Promise<Caller> {
  if (!owner || (await owner('/api/session')).status !== 200)
    owner = await signedIn(testUrl(), 'owner')
  return owner
}
export async function plannedVisit(client: string): Promise<string> {
  return prepared(await asOwner(), 'owner', client)
}
export async function runningVisit(client: string): Promise<string> {
  return treating(await asOwner(), 'owner', client)
}

export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await alive(page)
}

/** What this device holds back, as text. */
export const keptOnDevice = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const opening = indexedDB.open('oak-basin')
      opening.onsuccess = () => resolve(opening.result)
      opening.onerror = () => reject(new Error('no store'))
    })
    if (!db.objectStoreNames.contains('drafts')) {
      db.close()
      return ''
    }
    const all = (store: string) =>
      new Promise<unknown[]>((resolve) => {
        const reading = db.transaction(store).objectStore(store).getAll()
        reading.onsuccess = () => resolve(reading.result)
      })
    // Bytes as letters, so that a word that was not locked would be seen.
    const text = JSON.stringify([await all('drafts'), await all('taps')], (_key, value: unknown) =>
      value instanceof ArrayBuffer ? new TextDecoder('latin1').decode(value) : value,
    )
    db.close()
    return text
  })
