import { randomUUID } from 'node:crypto'
import type { StaffLink } from '#contracts/replies/house'
import { addBranch, listBranches } from '#db/branches'
import { openHouse } from '../../scripts/house.mjs'
import { caller, signedIn, type Caller } from './http'

/** The owner of the second practice. */
export const HARBOUR = {
  name: 'Sanne Harbour',
  email: 'sanne@harbour.example',
  password: 'boats in the early fog',
}
export const HARBOUR_NAME = 'Harbour Street'

interface Cluster {
  url: (role: string) => string
  sql: (text: string, database?: string) => string
}
export interface TwoPractices {
  cluster: Cluster
  address: string
  /** The demo's own practice, which was there first. */
  first: string
  harbour: string
  /** The key that opened the first hour of the second. */
  key: string
  owner: Caller
  sanne: Caller
  close: () => Promise<void>
}

/** As the superuser sees it: the rows of all practices. */
export const everything = (cluster: Cluster, text: string): string[] =>
  cluster
    .sql(text, 'oak_basin')
    .split('\n')
    .filter((line) => line !== '')

/** Begins a practice by the key of its first hour. */
export const beginAt = (address: string, key: string, { name, email, password } = HARBOUR) =>
  caller(address)('/api/setup', {
    method: 'POST',
    body: {
      ...{ key, name, email, password, house: HARBOUR_NAME },
      timeZone: 'Europe/Helsinki',
      licences: ['basic', 'machine', 'current', 'peel'],
    },
  })

type House = { cluster: Cluster; address: string; close: () => Promise<void> }

/** The demo, with a practice beside it that waits for its first hour. */
export async function openWithAnother(name: string, firstPort: number) {
  const house = (await openHouse(name, { firstPort, wanted: firstPort - 20_000 })) as House
  const made = await addBranch(house.cluster.url('owner'), HARBOUR_NAME)
  if (typeof made === 'string') throw new Error(made)
  return { ...house, key: made.key }
}

/** The demo, and a practice of somebody else in the same database. */
export async function openTwoPractices(name: string, firstPort: number): Promise<TwoPractices> {
  const { cluster, address, close, key } = await openWithAnother(name, firstPort)
  const begun = await beginAt(address, key)
  if (begun.status !== 200) throw new Error(begun.text)
  const [first, harbour] = await listBranches(cluster.url('owner'))
  const sanne = await inAs(address, HARBOUR)
  const owner = await signedIn(address, 'owner')
  return {
    ...{ cluster, address, close, owner, sanne, key },
    first: first?.id ?? '',
    harbour: harbour?.id ?? '',
  }
}

/** Signs in. @param branch the practice, where the password opens several */
export async function inAs(
  address: string,
  { email, password }: { email: string; password: string },
  branch?: string,
): Promise<Caller> {
  const call = caller(address)
  const body = { email, password, ...(branch === undefined ? {} : { branch }) }
  const reply = await call('/api/session', { method: 'POST', body })
  if (reply.status !== 200) throw new Error(reply.text)
  return call
}

/** Somebody who joins the second practice, by the link its owner makes. */
export async function joins(
  { address, sanne }: Pick<TwoPractices, 'address' | 'sanne'>,
  { email, password, name }: { email: string; password: string; name: string },
): Promise<string> {
  const id = randomUUID()
  const again = { password: HARBOUR.password }
  const person = { id, name, email, role: 'therapist', again }
  const added = await sanne('/api/staff', { method: 'POST', body: person })
  if (added.status !== 200) throw new Error(added.text)
  const { token } = added.body as StaffLink
  const joined = await caller(address)('/api/join/submit', {
    method: 'POST',
    body: { token, password },
  })
  if (joined.status !== 200) throw new Error(joined.text)
  return id
}

/** The second practice gets a shelf like the first one's, with bottles of its own. */
export function fillShelf({ cluster, first, harbour }: TwoPractices): void {
  for (const [table, more] of [
    ['products', ''],
    ['lots', `, 'product_id', 'harbour-' || t.product_id`],
  ] as const)
    everything(
      cluster,
      // As it stands there: without what the tables do with a bottle that comes in.
      `set session_replication_role = replica;
       insert into ${table} select (jsonb_populate_record(null::${table}, to_jsonb(t)
        || jsonb_build_object('id', 'harbour-' || t.id, 'branch_id', '${harbour}'${more}))).*
       from ${table} t where branch_id = '${first}'`,
    )
}
