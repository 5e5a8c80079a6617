import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Cluster } from '../cluster.mjs'
import { readSecrets } from '../secrets.mjs'
import { freePort, say, Trouble } from '../say.mjs'

/** What the one that follows is called where both are told of each other. */
const FOLLOWER = 'follower'
const SETTINGS = [
  // What was acknowledged is in both, and can be read in both.
  'synchronous_commit=remote_apply',
  // Whoever reads long in the one that follows holds nothing up in the one that leads.
  'hot_standby_feedback=on',
  'wal_receiver_status_interval=1s',
  // A line that is cut is noticed before a tap that waits for it is given up.
  'wal_sender_timeout=10s',
  'wal_receiver_timeout=10s',
  'wal_retrieve_retry_interval=500ms',
]
const SHIPPED_TRIES = 300
const LOOK_MS = 100
/** Whom the one that leads waits for before it acknowledges: anybody who follows, or nobody. */
const WAITS_FOR = 'synchronous_standby_names'
const waitFor = (whom) => `ALTER SYSTEM SET ${WAITS_FOR} = '${whom}'; SELECT pg_reload_conf();`
const wait = (ms) => new Promise((done) => setTimeout(done, ms))

/** Whether a house stands in two clusters. */
export const isPair = (programs, name) => existsSync(new Pair(programs, name).note)
/** The cluster that writes: the one that leads, or the only one. */
export const leading = (house) => house.leader ?? house

/**
 * One house in two clusters: one leads, the other follows it to the letter and can take over. Which
 * one leads is written beside them, before anybody is told to write into it.
 */
export class Pair {
  constructor(programs, name, { firstPort = 24510, durable = true, own = true } = {}) {
    const one = (called, port) =>
      new Cluster(programs, called, { durable, own, firstPort: port, settings: SETTINGS })
    this.members = [one(name, firstPort), one(`${name}-beside`, firstPort + 1)]
    this.note = join(this.members[0].home, 'leads.json')
    this.leads = this.noted()
    /** Whether all that was acknowledged is in both: only then may the one that follows take over. */
    this.stepped = false
  }
  get leader() {
    return this.members[this.leads]
  }
  get follower() {
    return this.members[1 - this.leads]
  }

  noted() {
    if (!existsSync(this.note)) return 0
    const { leads } = JSON.parse(readFileSync(this.note, 'utf8'))
    if (leads !== 0 && leads !== 1)
      throw new Trouble(`${this.note} does not say which of the two databases leads.`)
    return leads
  }
  write() {
    writeFileSync(this.note, JSON.stringify({ leads: this.leads }))
  }

  /** Both are up, the one following the other. */
  async up() {
    await this.upAlone()
    this.write()
    await this.join()
    return this
  }

  /** The one that leads is up and waits for nobody: it may have been killed while it waited. */
  async upAlone() {
    const { leader } = this
    const own = join(leader.data, 'postgresql.auto.conf')
    if (leader.there() && !leader.running())
      writeFileSync(
        own,
        readFileSync(own, 'utf8')
          .split('\n')
          .filter((line) => !line.startsWith(WAITS_FOR))
          .join('\n'),
      )
    await leader.up()
    if (!this.follower.there() || !this.follower.running()) this.alone()
    return leader
  }

  /**
   * Makes a fresh copy of the one that leads and lets it follow; from when it has caught up, what is
   * acknowledged is in both. The house goes on meanwhile.
   */
  async join() {
    const { leader, follower } = this
    this.stepped = false
    follower.down('immediate')
    rmSync(follower.data, { recursive: true, force: true })
    mkdirSync(follower.home, { recursive: true, mode: 0o755 })
    // Who was told of both finds each where it was.
    const port = follower.secrets?.port ?? (await freePort(leader.secrets.port + 1))
    follower.secrets = { ...leader.secrets, port }
    follower.save()
    follower.ownFolder(follower.data)
    leader.sql(`SELECT pg_drop_replication_slot(slot_name) FROM pg_replication_slots
      WHERE slot_name = '${FOLLOWER}';`)
    follower.must('pg_basebackup', [
      ...['-h', '127.0.0.1', '-p', String(leader.secrets.port), '-U', 'cluster_admin'],
      ...['-D', follower.data, '-R', '-C', '-S', FOLLOWER, '-X', 'stream', '-c', 'fast'],
    ])
    await follower.up()
    await this.caughtUp()
    leader.sql(waitFor('*'))
    await this.until(() => this.inStep(), 'The second database did not come into step.')
    this.stepped = true
  }

  /** Whether what is acknowledged is in both. */
  inStep() {
    const state = `SELECT count(*) FROM pg_stat_replication WHERE sync_state = 'sync'`
    return this.leader.sql(state).trim() === '1'
  }
  async caughtUp() {
    const streaming = `SELECT count(*) FROM pg_stat_replication WHERE state = 'streaming'`
    await this.until(
      () => this.leader.sql(streaming).trim() === '1',
      'The second database does not follow the first.',
    )
  }
  async until(is, trouble) {
    for (let tries = SHIPPED_TRIES; tries > 0; tries--) {
      if (is()) return
      await wait(LOOK_MS)
    }
    throw new Trouble(trouble)
  }

  /** The one that leads waits for nobody: the other is gone, or was never there. */
  alone() {
    this.stepped = false
    this.leader.sql(waitFor(''))
  }

  /**
   * The one that follows takes over. The one that led is ended first, whatever is left of it: two that
   * both take writes would be two houses.
   */
  takeOver() {
    const before = this.leader
    before.down('immediate')
    this.leads = 1 - this.leads
    this.write()
    // A passphrase may have been told since the copy was made.
    const { port } = this.leader.secrets
    this.leader.secrets = { ...readSecrets(before.secretsFile, before.data), port }
    this.leader.save()
    this.leader.must('pg_ctl', ['promote', '-w', '-t', '60', '-D', this.leader.data])
    this.alone()
  }

  /**
   * Looks after the two: the one that ended is brought back as the one that follows; where it led, the
   * other takes over first.
   * @returns what was done, in words; undefined where nothing was
   */
  async look() {
    if (!this.leader.running()) {
      if (this.stepped && this.follower.running()) {
        this.takeOver()
        await this.join()
        return 'The database ended by itself; the second one has taken over, and the first follows it now.'
      }
      // What was acknowledged is on the first one's disk, and perhaps nowhere else.
      await this.upAlone()
      await this.join()
      return 'The database ended by itself; it is started again, and the second one follows it.'
    }
    if (this.follower.running() && this.inStep()) return undefined
    this.alone()
    await this.join()
    return 'The second database had ended or lost its line; it follows again.'
  }

  /** Where the one that takes writes is found, whichever of the two it is. */
  url(role) {
    return this.address(role, this.members, 'primary')
  }
  /** Where the one that follows is found; the other where there is none. */
  readsUrl(role) {
    return this.address(role, this.members, 'prefer-standby')
  }
  address(role, members, which) {
    const { secrets } = this.leader
    const hosts = members.map((one) => `127.0.0.1:${one.secrets.port}`).join(',')
    return `postgres://oak_${role}:${secrets[role]}@${hosts}/oak_basin?target_session_attrs=${which}`
  }
  get secrets() {
    return this.leader.secrets
  }

  there() {
    return this.leader.there()
  }
  down() {
    // The one that leads waits for nobody who is gone already.
    if (this.leader.running()) this.alone()
    this.follower.down()
    this.leader.down()
  }
  /** One cluster again, where it has always been: the one that leads; the other goes. */
  async part() {
    const [first] = this.members
    this.down()
    this.follower.remove()
    if (this.leader !== first) {
      mkdirSync(first.home, { recursive: true, mode: 0o755 })
      renameSync(this.leader.data, first.data)
      renameSync(this.leader.secretsFile, first.secretsFile)
      this.leader.remove()
    }
    rmSync(this.note, { force: true })
  }
  remove() {
    for (const one of this.members) one.remove()
  }
}

/** Says what was done for a pair, and that it was done, for as long as it is looked after. */
export function keepPair(pair, { everyMs }) {
  let busy = false
  const timer = setInterval(async () => {
    if (busy) return
    busy = true
    try {
      const done = await pair.look()
      if (done) say(done)
    } catch (error) {
      say(error.message)
    } finally {
      busy = false
    }
  }, everyMs)
  return () => clearInterval(timer)
}
