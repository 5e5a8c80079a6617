import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { LEAST_PASSPHRASE, unlockBackup } from './backup.mjs'
import { Cluster } from './cluster.mjs'
import { ensurePostgres } from './postgres.mjs'
import { backUp, endOpenDoors, putBack } from './dump.mjs'
import { askHidden } from './furnish.mjs'
import { takeHouse, writeHouse } from './houseFile.mjs'
import { ROOT, say, task, Trouble } from './say.mjs'
import { ensurePackages, load, migrate } from './setup.mjs'
import { isPair, Pair } from './wide/pair.mjs'

const HELP = `./house backup [FOLDER]   one locked file of the whole house, into .data/backups or FOLDER;
                          the house may be running
./house restore FILE      puts a backup into an empty data folder (OAK_DATA names another one)
                          and proves it equal, row for row
./house verify            walks the chains of seals and amendments of this house
./house verify 'LINE'     holds a line that was printed and kept apart against this house
./house verify FILE       opens a backup and says what is in it
./house export FILE.json  the whole house as one open JSON document, by the published schema
                          (docs/formats/house.schema.json); it is not locked.
                          --practice NAME: that one, in a house of several
./house import FILE.json  takes such a document into an empty data folder and proves it equal
./house owner-link [EMAIL]
                          makes a password link for an owner who has forgotten it; leaves a line in
                          the audit and on the sign-in page. --no-factor also ends the second factor
./house practices         the practices that share this house
./house practice-add NAME adds one, with its own rooms, shelf and staff, and prints the link of its
                          first hour
./house passphrase        tells the passphrase with which the house is backed up every night

Environment
  OAK_DATA                name of the data folder (default: house)
  OAK_PASSPHRASE          the passphrase, where nobody is to be asked`

const dataName = process.env.OAK_DATA ?? 'house'
const [what, ...words] = process.argv.slice(2)
const named = words.includes('--practice') ? words.splice(words.indexOf('--practice'), 2)[1] : ''
const [given, ...more] = words

async function passphrase(twice = false) {
  const told = process.env.OAK_PASSPHRASE ?? (await askHidden('Passphrase: '))
  if (told.length < LEAST_PASSPHRASE)
    throw new Trouble(`A passphrase has at least ${LEAST_PASSPHRASE} characters: four words.`)
  if (
    twice &&
    process.env.OAK_PASSPHRASE === undefined &&
    (await askHidden('Once more: ')) !== told
  )
    throw new Trouble('The two are not alike. Nothing was changed.')
  return told
}

const mb = (bytes) => `${(bytes / 1e6).toFixed(1)} MB`
const countWords = (manifest) => {
  const rows = Object.values(manifest.tables).reduce((sum, table) => sum + table.rows, 0)
  const { seals } = manifest
  return `${rows} rows in ${Object.keys(manifest.tables).length} tables, ${seals} ${seals === 1 ? 'seal' : 'seals'}`
}

/** Works on the cluster, whether it runs already or is brought up for this. */
async function withCluster(work) {
  const programs = await ensurePostgres()
  const pair = isPair(programs, dataName) ? new Pair(programs, dataName, { own: false }) : undefined
  const cluster = pair?.leader ?? new Cluster(programs, dataName, { own: false })
  if (!cluster.there()) throw new Trouble(`There is no house in the data folder ${dataName}.`)
  const ran = cluster.running()
  await (pair ? pair.upAlone() : cluster.up())
  try {
    return await work(cluster)
  } finally {
    if (!ran) cluster.down()
  }
}

async function backup() {
  const folder = given ? resolve(given) : join(ROOT, '.data', 'backups', dataName)
  const word = await passphrase(true)
  await withCluster(async (cluster) => {
    const { file, bytes } = await task('Backing up', () => backUp(cluster, folder, word))
    say(`Saved: ${file} (${mb(bytes)}). Without the passphrase nobody opens it, you neither.`)
  })
}

/** Opens the backup that was named, and says how far it is. */
const opened = (word, to) =>
  task('Opening the backup', (far) => unlockBackup(resolve(given), word, to, far))

/** Into a fresh cluster, and away with it again where what came back is not what was kept. */
async function restore() {
  if (!given) throw new Trouble('Which file? ./house restore FILE')
  const cluster = new Cluster(await ensurePostgres(), dataName)
  if (cluster.there())
    throw new Trouble(
      `The data folder ${dataName} holds a house already; nothing is restored over it.\n` +
        'Restore beside it: OAK_DATA=restored ./house restore FILE',
    )
  const folder = mkdtempSync(join(tmpdir(), 'oak-restore-'))
  const dump = join(cluster.home, 'restore.dump')
  try {
    const word = await passphrase()
    const manifest = await opened(word, join(folder, 'dump'))
    cluster.keepSession(manifest.secrets.session)
    await cluster.up()
    cluster.takeIn(join(folder, 'dump'), dump)
    await task('Putting the tables back, then comparing each', () =>
      putBack(cluster, dump, manifest),
    )
    await migrate(cluster.url('owner'))
    await endOpenDoors(cluster)
    say(`Restored: the house of ${manifest.at}. ${countWords(manifest)}, all equal.`)
    say(`Open it: ${dataName === 'house' ? '' : `OAK_DATA=${dataName} `}./start`)
    cluster.down()
  } catch (error) {
    cluster.remove()
    throw error
  } finally {
    rmSync(folder, { recursive: true, force: true })
    rmSync(dump, { force: true })
  }
}

const LINE = 'oak-basin/head/'
async function verifyLine() {
  const { holdAgainst } = await load('db/walkChain.ts')
  await withCluster(async (cluster) => {
    const { id } = await practiceOf(cluster)
    const held = await holdAgainst(cluster.url('owner'), given, cluster.secrets.session, id)
    if (!held) throw new Trouble('This house did not sign that line, or a letter of it is another.')
    if (!held.holds) throw new Trouble(held.text)
    say(held.text)
  })
}

async function verify() {
  if (given?.startsWith(LINE)) {
    await verifyLine()
    return
  }
  if (given) {
    const folder = mkdtempSync(join(tmpdir(), 'oak-verify-'))
    try {
      const manifest = await opened(await passphrase(), join(folder, 'dump'))
      say(`Whole: the house of ${manifest.at}. ${countWords(manifest)}.`)
      say(`Head of the seals: ${manifest.head ?? 'none yet'}`)
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
    return
  }
  await withCluster(async (cluster) => {
    const { listBranches } = await load('db/branches.ts')
    const all = await listBranches(cluster.url('owner'))
    for (const own of all) await verifyChains(cluster, own, all.length > 1)
  })
}

/** Walks the chains of one practice. */
async function verifyChains(cluster, { id, name, practice }, several) {
  const { walkChain } = await load('db/walkChain.ts')
  const of = several ? ` of ${practice ?? name}` : ''
  const walked = await task(`Checking the seals${of}`, (far) =>
    walkChain(cluster.url('owner'), id, far),
  )
  if (walked.broken !== null) throw new Trouble(`Seal ${walked.broken}${of} is broken.`)
  if (walked.brokenAmendment !== null)
    throw new Trouble(`Amendment ${walked.brokenAmendment}${of} is broken.`)
  const amended = `${walked.amendments} ${walked.amendments === 1 ? 'amendment' : 'amendments'}`
  const head = walked.head ?? 'none yet'
  say(`All ${walked.walked} seals and ${amended}${of} are valid. Head: ${head}`)
}

/** The practice that was named, or the only one. @throws Trouble where one has to be named */
async function practiceOf(cluster) {
  const { findBranch, listBranches } = await load('db/branches.ts')
  const all = await listBranches(cluster.url('owner'))
  const found = named === '' ? undefined : await findBranch(cluster.url('owner'), named)
  if (found) return found
  if (all.length === 1 && named === '') return all[0]
  const names = all.map(({ name, practice }) => practice ?? name).join(', ')
  throw new Trouble(`Which practice? --practice NAME, one of: ${names}`)
}

async function practices() {
  await withCluster(async (cluster) => {
    const { listBranches } = await load('db/branches.ts')
    for (const { name, practice } of await listBranches(cluster.url('owner')))
      say(practice ?? `${name} (waits for its first hour)`)
  })
}

async function practiceAdd() {
  if (!given) throw new Trouble('Which name? ./house practice-add NAME')
  await withCluster(async (cluster) => {
    const { addBranch } = await load('db/branches.ts')
    const made = await addBranch(cluster.url('owner'), [given, ...more].join(' '))
    if (typeof made === 'string') throw new Trouble(made)
    say('Its owner begins it here, once:')
    say(`  /first-hour#${made.key}   (after the address that ./start prints)`)
    say('Each practice sees its own rows alone; one backup holds them all.')
  })
}

/** What is open to whoever reads it is written only where somebody has read that. */
async function exportHouse() {
  if (!given) throw new Trouble('Into which file? ./house export FILE.json')
  await withCluster(async (cluster) => {
    const { id } = await practiceOf(cluster)
    const writing = task('Writing the tables', (far) =>
      writeHouse(cluster, resolve(given), id, far),
    )
    const sums = await writing.catch((error) => {
      if (error.code !== 'EEXIST') throw error
      throw new Trouble(`${given} is there already; nothing is written over it.`)
    })
    const rows = Object.values(sums).reduce((sum, table) => sum + table.rows, 0)
    say(`Written: ${given}, ${rows} rows in ${Object.keys(sums).length} tables.`)
    say('It is not locked: names, health and records stand in it as plain text. Keep it so.')
  })
}

/** Into a fresh cluster, and away with it again where what came in is not what was written. */
async function importHouse() {
  if (!given) throw new Trouble('Which file? ./house import FILE.json')
  const cluster = new Cluster(await ensurePostgres(), dataName)
  if (cluster.there())
    throw new Trouble(
      `The data folder ${dataName} holds a house already; nothing is imported over it.\n` +
        'Import it beside it: OAK_DATA=taken ./house import FILE.json',
    )
  try {
    await cluster.up()
    await migrate(cluster.url('owner'))
    const sums = await task('Importing the tables, then comparing each', () =>
      takeHouse(cluster, resolve(given)),
    )
    const rows = Object.values(sums).reduce((sum, table) => sum + table.rows, 0)
    say(`Imported: ${rows} rows in ${Object.keys(sums).length} tables, all equal.`)
    say('Everybody signs in anew; a second factor is set up anew.')
    cluster.down()
  } catch (error) {
    cluster.remove()
    throw error
  }
}

async function tellPassphrase() {
  const word = await passphrase(true)
  const cluster = new Cluster(await ensurePostgres(), dataName)
  if (!cluster.there()) throw new Trouble(`There is no house in the data folder ${dataName}.`)
  cluster.keepPassphrase(word)
  say('Saved. While ./start runs, the house is backed up every night; fourteen nights are kept.')
  say('Write the passphrase down and keep it elsewhere: with this disk it is lost too.')
}

/** For the only owner who forgot everything: whoever sits at this terminal has the data anyway. */
async function ownerLink() {
  const noFactor = [given, ...more].includes('--no-factor')
  const email = [given, ...more].find((word) => word !== undefined && !word.startsWith('--'))
  const { makeOwnerLink } = await load('db/ownerLink.ts')
  await withCluster(async (cluster) => {
    const branch = named === '' ? undefined : (await practiceOf(cluster)).id
    const made = await makeOwnerLink(cluster.url('owner'), { email, noFactor, branch })
    if (typeof made === 'string') throw new Trouble(made)
    say(`A password link for ${made.name} (${made.email}); it opens once, within a week:`)
    say(`  /join#${made.token}   (after the address that ./start prints)`)
    if (made.hasFactor) say('The second factor stays. --no-factor ends it too.')
  })
}

const COMMANDS = {
  'owner-link': ownerLink,
  backup,
  restore,
  verify,
  export: exportHouse,
  import: importHouse,
  passphrase: tellPassphrase,
  practices,
  'practice-add': practiceAdd,
}
async function main() {
  const command = COMMANDS[what]
  if (!command) {
    say(HELP)
    if (what !== undefined && what !== '--help') process.exitCode = 1
    return
  }
  await ensurePackages()
  await command()
}
main().catch((error) => {
  say(error instanceof Trouble ? error.message : error.stack)
  process.exit(1)
})
