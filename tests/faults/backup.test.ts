import Ajv2020 from 'ajv/dist/2020'
import addFormats from 'ajv-formats'
import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Cluster } from '../../scripts/cluster.mjs'
import { ensurePostgres } from '../../scripts/postgres.mjs'
import { openHouse } from '../../scripts/house.mjs'
import { ROOT } from '../../scripts/say.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn } from '../support/http'
import { jpegOf } from '../support/picture'
import { sealedVisit, treating } from '../support/visit'

/** A house is kept in one locked file, and comes back equal or not at all. */
const NAME = 'faults-backup'
const BACK = 'faults-restored'
const PASSPHRASE = 'four words are good'
const folder = mkdtempSync(join(tmpdir(), 'oak-backup-'))
let house: Awaited<ReturnType<typeof openHouse>> & { address?: string }
let sealed: string
let file: string
/** The bytes of a picture in the house. */
let picture: Buffer
const tool = (data: string, args: string[], passphrase = PASSPHRASE) => {
  const run = spawnSync(process.execPath, ['scripts/houseTool.mjs', ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, OAK_DATA: data, OAK_PASSPHRASE: passphrase },
  })
  return { code: run.status ?? 1, said: run.stdout + run.stderr }
}
const back = async () => new Cluster(await ensurePostgres(), BACK)

beforeAll(async () => {
  ;(await back()).remove()
  house = await openHouse(NAME, { durable: true, firstPort: 24760, wanted: 4480 })
  const owner = await signedIn(house.address ?? '', 'owner')
  sealed = await sealedVisit(owner, 'owner', 'other-1')
  const open = `/api/visits/${await treating(owner, 'owner', 'other-3')}`
  const id = randomUUID()
  const body = { id, regions: ['chin'], jpeg: jpegOf(70), agreed: true }
  expect((await owner(`${open}/photographs`, { method: 'POST', body })).status).toBe(200)
  picture = (await owner(`${open}/photograph?photograph=${id}`)).bytes
})
afterAll(async () => {
  await house.close()
  ;(await back()).remove()
  rmSync(folder, { recursive: true, force: true })
})

describe('a house as one JSON document', () => {
  const document = join(folder, 'house.json')
  const TAKEN = 'faults-taken'
  const taken = async () => new Cluster(await ensurePostgres(), TAKEN)
  afterAll(async () => (await taken()).remove())
  it('is written whole by the published schema, while the house runs, and over nothing', async () => {
    const made = tool(NAME, ['export', document])
    expect(made.code, made.said).toBe(0)
    const whole: unknown = JSON.parse(readFileSync(document, 'utf8'))
    const published = readFileSync(join(ROOT, 'docs/formats/house.schema.json'), 'utf8')
    const ajv = new Ajv2020({ strict: false, allowUnionTypes: true })
    addFormats(ajv)
    const fits = ajv.compile(JSON.parse(published) as object)
    expect(fits(whole), JSON.stringify(fits.errors?.slice(0, 3))).toBe(true)
    expect(JSON.stringify(whole)).toContain('Ada Korsen')
    expect(JSON.stringify(whole)).toContain(`"jpeg":"${picture.toString('base64')}"`)
    expect(tool(NAME, ['export', document]).said).toContain('nothing is written over it')
  })
  it('comes back equal into an empty folder, and leaves nothing where a word of it was changed', async () => {
    ;(await taken()).remove()
    const bent = join(folder, 'bent.json')
    writeFileSync(bent, readFileSync(document, 'utf8').replace('Ada Korsen', 'Ada Korsén'))
    const refused = tool(TAKEN, ['import', bent])
    expect(refused.code).not.toBe(0)
    expect(refused.said).toContain('unlike the file')
    expect((await taken()).there()).toBe(false)

    const came = tool(TAKEN, ['import', document])
    expect(came.code, came.said).toBe(0)
    expect(came.said).toContain('all equal')
    expect(tool(TAKEN, ['verify']).said).toMatch(/All \d+ seals and \d+ amendments? (is|are) valid/)
    const again = join(folder, 'again.json')
    expect(tool(TAKEN, ['export', again]).code).toBe(0)
    const tables = (file: string) =>
      (JSON.parse(readFileSync(file, 'utf8')) as { tables: unknown }).tables
    expect(tables(again)).toEqual(tables(document))
    expect(tool(TAKEN, ['import', document]).said).toContain('holds a house already')
  })
})

describe('a backup', () => {
  it('is made while the house runs, is one file that tells nothing, and is noted in the house', async () => {
    const made = tool(NAME, ['backup', folder])
    expect(made.code, made.said).toBe(0)
    file = join(folder, readdirSync(folder).find((name) => name.endsWith('.oakbackup')) ?? '')
    const text = readFileSync(file, 'latin1')
    for (const word of ['Ada Korsen', 'PGDMP', 'consultations', house.cluster.secrets.session])
      expect(text).not.toContain(word)
    const owner = await signedIn(house.address ?? '', 'owner')
    const practice = (await owner('/api/practice')).body as { lastBackup: number | null }
    expect(Date.now() - (practice.lastBackup ?? 0)).toBeLessThan(600_000)
  })
  it('does not open with another passphrase, cut, or with one bit turned; nothing is left then', async () => {
    const bytes = readFileSync(file)
    const broken: [string, Buffer, string][] = [
      ['another passphrase', bytes, 'another passphrase'],
      ['cut', bytes.subarray(0, bytes.length - 4000), PASSPHRASE],
      ['cut short', bytes.subarray(0, 100), PASSPHRASE],
      ['empty', Buffer.alloc(0), PASSPHRASE],
    ]
    const turned = Buffer.from(bytes)
    const middle = Math.floor(bytes.length / 2)
    turned[middle] = (turned[middle] ?? 0) ^ 1
    broken.push(['turned', turned, PASSPHRASE])
    for (const [what, content, passphrase] of broken) {
      const bad = join(folder, 'bad')
      writeFileSync(bad, content)
      const tried = tool(BACK, ['restore', bad], passphrase)
      expect(tried.code, what).toBe(1)
      expect(tried.said, what).toMatch(/does not open|is no backup/)
      expect((await back()).there(), what).toBe(false)
    }
  })
  it('comes back equal, row for row and seal for seal, and never over a house', async () => {
    const over = tool(NAME, ['restore', file])
    expect(over.said).toContain('holds a house already')
    const restored = tool(BACK, ['restore', file])
    expect(restored.code, restored.said).toBe(0)
    expect(restored.said).toContain('all equal')
    expect(tool(BACK, ['verify']).said).toMatch(/All \d+ seals and \d+ amendments? (is|are) valid/)
    const cluster = await back()
    await cluster.up()
    const run = await runServer(cluster, { wanted: 4485, quiet: true })
    try {
      await whenReady(run.port, run.child)
      const [before, after] = await Promise.all(
        [house.address ?? '', run.address].map(async (address) => {
          const owner = await signedIn(address, 'owner')
          const { now, ...bundle } = (await owner(`/api/visits/${sealed}`)).body as { now: number }
          return { seen: now > 0, bundle }
        }),
      )
      expect(after).toEqual(before)
    } finally {
      await endChild(run.child)
      cluster.down()
    }
  })
})
