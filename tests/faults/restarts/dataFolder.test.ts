import { spawn } from 'node:child_process'
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import postgres from 'postgres'
import { Cluster } from '../../../scripts/cluster.mjs'
import { ensurePostgres } from '../../../scripts/postgres.mjs'
import { ROOT } from '../../../scripts/say.mjs'

/** `./start` on data folders of every kind: what is there is never lost and never mixed. */
interface House {
  home: string
  data: string
  secretsFile: string
  up: () => Promise<unknown>
  down: () => void
  url: (role: string) => string
  remove: () => void
}
const OWNER = {
  OAK_OWNER_NAME: 'Maren Holt',
  OAK_OWNER_EMAIL: 'maren@house.example',
  OAK_OWNER_PASSWORD: 'a-house-of-my-own',
}
const houseAt = async (name: string) => new Cluster(await ensurePostgres(), name) as House

/** Runs the command; ends it once it is ready. */
function start(name: string, flags: string[], env: Record<string, string> = {}) {
  return new Promise<{ code: number; said: string }>((resolve) => {
    const child = spawn(process.execPath, ['scripts/start.mjs', ...flags], {
      cwd: ROOT,
      env: { ...process.env, OAK_DATA: name, OAK_PORT: '4470', ...env },
    })
    let said = ''
    const hear = (bytes: Buffer) => {
      said += String(bytes)
      if (said.includes('Ctrl-C stops')) child.kill('SIGTERM')
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('exit', (code) => resolve({ code: code ?? 1, said }))
  })
}

async function counts(house: House) {
  await house.up()
  const sql = postgres(house.url('owner'), { max: 1 })
  const [row] = await sql`select (select count(*)::int from products) as products,
    (select count(*)::int from staff) as people, (select count(*)::int from staff where demo) as demo`
  await sql.end()
  house.down()
  return row
}

describe("a house of one's own", () => {
  const name = 'faults-own'
  let house: House
  beforeAll(async () => {
    house = await houseAt(name)
    house.remove()
  })
  afterAll(() => house.remove())

  it('is made empty, with the owner that was named', async () => {
    const { code, said } = await start(name, ['--empty'], OWNER)
    expect(said).toContain('is ready')
    expect(said).not.toContain('Demo sign-ins')
    expect(code).toBe(0)
    expect(await counts(house)).toEqual({ products: 0, people: 1, demo: 0 })
  })
  it('gets no demo data from a plain start, and is served as it is', async () => {
    const { said } = await start(name, [])
    expect(said).toContain('house of your own')
    expect(said).toContain('is ready')
    expect(await counts(house)).toEqual({ products: 0, people: 1, demo: 0 })
  })
  it('is kept when its secrets are missing: the start names the file and how to go on', async () => {
    const away = `${house.secretsFile}.away`
    renameSync(house.secretsFile, away)
    const { code, said } = await start(name, [])
    expect(code).toBe(1)
    expect(said).toContain(house.secretsFile)
    expect(said).toContain('missing')
    expect(said).toContain('from a backup')
    expect(existsSync(join(house.data, 'PG_VERSION'))).toBe(true)
    expect(existsSync(house.secretsFile)).toBe(false)
    renameSync(away, house.secretsFile)
    expect(await counts(house)).toMatchObject({ people: 1 })
  })
  it.each([
    ['cut short', '{"port": 24510, "superu'],
    ['empty', ''],
    ['without a password', '{"port": 24510, "superuser": "x"}'],
  ])('is kept when its secrets are %s', async (_, text) => {
    const whole = readFileSync(house.secretsFile, 'utf8')
    writeFileSync(house.secretsFile, text)
    const { code, said } = await start(name, [])
    expect(code).toBe(1)
    expect(said).toContain(`${house.secretsFile} is broken`)
    expect(readFileSync(house.secretsFile, 'utf8')).toBe(text)
    writeFileSync(house.secretsFile, whole)
    expect(await counts(house)).toMatchObject({ people: 1 })
  })
})

describe('the demo', () => {
  const name = 'faults-demo'
  let house: House
  beforeAll(async () => {
    house = await houseAt(name)
    house.remove()
  })
  afterAll(() => house.remove())

  it('does not become a real house with printed passwords', async () => {
    expect((await start(name, [])).said).toContain('Demo sign-ins')
    const before = await counts(house)
    const { code, said } = await start(name, ['--empty'], OWNER)
    expect(code).toBe(1)
    expect(said).toContain('holds the demo')
    expect(said).toContain('--reset --empty')
    expect(await counts(house)).toEqual(before)
  })
})

describe('a cluster that was only half made', () => {
  const name = 'faults-half'
  it('is made whole with the secrets that are there', async () => {
    const house = await houseAt(name)
    house.remove()
    await house.up()
    house.down()
    const secrets = readFileSync(house.secretsFile, 'utf8')
    rmSync(house.data, { recursive: true })
    await (await houseAt(name)).up()
    const again = await houseAt(name)
    const { superuser } = JSON.parse(readFileSync(again.secretsFile, 'utf8')) as {
      superuser: string
    }
    expect((JSON.parse(secrets) as { superuser: string }).superuser).toBe(superuser)
    again.remove()
  })
})
