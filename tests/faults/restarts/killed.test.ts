import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Cluster } from '../../../scripts/cluster.mjs'
import { openHouse } from '../../../scripts/house.mjs'
import { ensurePostgres } from '../../../scripts/postgres.mjs'
import { ROOT } from '../../../scripts/say.mjs'
import { caller, signedIn, type Caller } from '../../support/http'

/** What is killed leaves nothing behind, and what hangs is said in time. */
interface House {
  home: string
  data: string
  running: () => boolean
  remove: () => void
}
const runs = (pid: number): boolean => {
  try {
    process.kill(pid, 0)
    // A child that nobody has waited for is over all the same.
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'))
  } catch {
    return false
  }
}
/** Looks again until it is so; how long that takes is the machine's affair. */
async function comes(what: string, is: () => boolean | Promise<boolean>): Promise<void> {
  for (let looks = 0; looks < 400; looks++) {
    if (await is()) return
    await new Promise((done) => setTimeout(done, 200))
  }
  throw new Error(`never: ${what}`)
}
const began: ChildProcess[] = []
/** A script of the project as somebody runs it; resolves once it has said so. */
function run(script: string, args: string[], env: Record<string, string>, ready: RegExp) {
  return new Promise<{ pid: number; said: () => string }>((resolve, reject) => {
    const child = spawn(process.execPath, [script, ...args], {
      cwd: ROOT,
      env: { ...process.env, ...env },
    })
    began.push(child)
    let said = ''
    const hear = (bytes: Buffer) => {
      said += String(bytes)
      if (ready.test(said)) resolve({ pid: child.pid ?? 0, said: () => said })
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.once('exit', (code) => {
      reject(new Error(`ended ${code}: ${said}`))
    })
  })
}
const masterOf = ({ data }: House): number =>
  Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0])
/** The keeper of a process: whoever has its script and was begun by it. */
function childrenOf(pid: number): number[] {
  const text = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim()
  return text === '' ? [] : text.split(' ').map(Number)
}

const NAME = 'faults-killed'
const START = { OAK_DATA: NAME, OAK_PORT: '4480' }
let house: House
const start = () => run('scripts/start.mjs', [], START, /Ctrl-C stops/)
const addressOf = (said: string): string => /is ready: (\S+)/.exec(said)?.[1] ?? ''
function serverOf(): number {
  const note = readFileSync(join(ROOT, '.data', `run-${NAME}.json`), 'utf8')
  const { servers } = JSON.parse(note) as { servers: number[] }
  return servers[0] ?? 0
}
beforeAll(async () => {
  house = new Cluster(await ensurePostgres(), NAME) as House
  house.remove()
})
afterAll(() => {
  for (const { pid } of began) if (pid !== undefined && runs(pid)) process.kill(pid, 'SIGTERM')
  house.remove()
})

describe('a start that is killed', () => {
  it('takes its server and its database with it', async () => {
    const { pid } = await start()
    const [server, master] = [serverOf(), masterOf(house)]
    process.kill(pid, 'SIGKILL')
    await comes('server and database ended', () => !runs(server) && !runs(master))
    expect(existsSync(join(house.data, 'PG_VERSION'))).toBe(true)
  })
  it('with everything that looks after it: the next start ends what it finds, and serves alone', async () => {
    const { pid } = await start()
    const [server, keepers] = [serverOf(), childrenOf(pid)]
    for (const own of keepers)
      if (readFileSync(`/proc/${own}/cmdline`, 'utf8').includes('keeper.mjs'))
        process.kill(own, 'SIGKILL')
    process.kill(pid, 'SIGKILL')
    await comes('only the start ended', () => !runs(pid))
    expect(runs(server)).toBe(true)
    const again = await start()
    expect(again.said()).toContain('earlier start')
    expect(runs(server)).toBe(false)
    expect((await caller(addressOf(again.said()))('/api/ready')).status).toBe(200)
    process.kill(again.pid, 'SIGTERM')
    await comes('it ended', () => !runs(again.pid) && !house.running())
  })
  it('brings back a database that is killed, and says so', async () => {
    const { pid, said } = await start()
    process.kill(masterOf(house), 'SIGKILL')
    await comes('said', () => said().includes('The database is back'))
    const ready = async () => (await caller(addressOf(said()))('/api/ready')).status === 200
    await comes('ready', ready)
    process.kill(pid, 'SIGTERM')
    await comes('it ended', () => !runs(pid) && !house.running())
  })
})

describe('a database that hangs', () => {
  let hung: Awaited<ReturnType<typeof openHouse>> & { address?: string }
  let owner: Caller
  beforeAll(async () => {
    hung = await openHouse('faults-hung', { firstPort: 24960, wanted: 4484 })
    owner = await signedIn(hung.address ?? '', 'owner')
  })
  afterAll(() => hung.close())

  it('is a 503 in time, and nobody signed in is sent to the door', async () => {
    const master = masterOf(hung.cluster as House)
    const all = [...childrenOf(master), master]
    for (const pid of all) process.kill(pid, 'SIGSTOP')
    try {
      const page = owner('/', { redirect: 'manual' } as never)
      const people = owner('/api/people')
      const ready = caller(hung.address ?? '')('/api/ready')
      expect((await ready).status).toBe(503)
      expect((await people).status).toBe(503)
      const shown = await page
      expect(shown.status).toBe(503)
      expect(shown.text).not.toContain('Sign in')
    } finally {
      for (const pid of all) if (runs(pid)) process.kill(pid, 'SIGCONT')
    }
    await comes('back', async () => (await owner('/api/people')).status === 200)
  })
})

describe('whoever tries things is killed', () => {
  it('and the house it had opened goes, folder and all', async () => {
    const own = new Cluster(await ensurePostgres(), 'faults-left', { durable: false }) as House
    const { pid } = await run('scripts/run-house.mjs', ['faults-left'], {}, /OAK_TEST_URL/)
    const master = masterOf(own)
    process.kill(pid, 'SIGKILL')
    await comes('database ended, folder gone', () => !runs(master) && !existsSync(own.home))
  })
})
