import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePostgres } from './postgres.mjs'
import { openHouse, settleDemo } from './house.mjs'
import { keepChild } from './keep.mjs'
import { ensureBrowser } from './browser.mjs'
import { endRunning, say, toldOfRuns, Trouble } from './say.mjs'
import { ensureBuild, ensurePackages } from './setup.mjs'
import { makeTemplate } from './template.mjs'
import {
  additions,
  failOver,
  howTos,
  imports,
  lint,
  OUT,
  playwright,
  Tally,
  types,
  vitest,
} from './testRunners.mjs'

const PARTS = [
  'lint',
  'types',
  'imports',
  'unit',
  'reference',
  'solver',
  'build',
  'api',
  'faults',
  'e2e',
]
/** What takes long, so that it runs by name and in the full run only. */
const ADDITIONS = 'additions'
const FAIL_OVER = 'fail-over'
const LONG = [ADDITIONS, FAIL_OVER]
const HELP = `./test                 everything, on throw-away clusters: what reads the sources beside what
                       needs the build; the browser's tests after that, with nothing beside them
./test PART [PART …]   some parts: ${[...PARTS, ...LONG].join(' ')}
./test full            everything, with the long seeded runs, the pages of docs/how-to followed and a
                       database that is killed while another takes over
./test --help          this page`
const tally = new Tally()
/** Houses that are open now, and the demo they are copied from: they go when this ends, however it ends. */
const open = new Set()
// What is run here and what it starts ends with this process, killed or not.
toldOfRuns(keepChild)
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.once(signal, () => void endAll(signal))
async function endAll(signal) {
  say(`\n${signal}: ending what runs`)
  endRunning()
  await Promise.allSettled([...open].map((house) => house.close()))
  process.exit(1)
}

const STARTED = Date.now()

/** @throws Trouble for a part that there is none of */
function wantedParts() {
  const asked = process.argv.slice(2)
  if (asked.includes('full')) process.env.OAK_FULL = '1'
  const named = asked.filter((part) => part !== 'full')
  const unknown = named.find((part) => ![...PARTS, ...LONG].includes(part))
  if (unknown) throw new Trouble(`${unknown} is not a part. ./test --help lists them.`)
  if (named.length > 0) return new Set(named)
  return new Set(process.env.OAK_FULL ? [...PARTS, ...LONG] : PARTS)
}

async function main() {
  if (process.argv.includes('--help')) {
    say(HELP)
    return
  }
  const wanted = wantedParts()
  mkdirSync(OUT, { recursive: true })
  // What a route gives is held against what it says it gives.
  process.env.OAK_PARSE_REPLIES = 'yes'
  const programs = programsFor(wanted)
  // Told where it is waited for.
  programs.catch(() => {})
  await ensurePackages()
  const built = buildFor(wanted)
  const ready = Promise.all([built, programs.then(() => templateFor(wanted))])
  ready.catch(() => {})
  await Promise.all([
    onTheBuild(wanted, ready),
    besideIt(wanted, ready),
    onTheSources(wanted, built),
  ])
  if (wanted.has('e2e')) await inTheBrowser()
  if (wanted.has(FAIL_OVER)) await failOver(tally)
}

/** Database and browser are Debian's: fetched while the packages are, and the sources are looked at. */
async function programsFor(wanted) {
  if (opensHouses(wanted)) await ensurePostgres()
  if (wanted.has('e2e')) await ensureBrowser()
}

const opensHouses = (wanted) => ['api', 'e2e', 'faults', FAIL_OVER].some((part) => wanted.has(part))

/** The demo is seeded once, beside the build: what opens a house copies it. */
async function templateFor(wanted) {
  if (!opensHouses(wanted)) return
  settleDemo()
  open.add(await makeTemplate())
}

async function buildFor(wanted) {
  if (wanted.has('build') || opensHouses(wanted)) await ensureBuild()
}

/** What needs the built application: it is built once. */
async function onTheBuild(wanted, ready) {
  await ready
  if (wanted.has('api'))
    await inAHouse(['test', 24610, 4390], (env) =>
      vitest(tally, 'api', 'Over the wire, on real PostgreSQL', { env }),
    )
  if (wanted.has('solver'))
    await vitest(tally, 'solver', 'Against trying everything and an outside solver')
  if (wanted.has('faults'))
    await vitest(tally, 'faults', 'A month of a small house', {
      only: { name: '-month', args: [MONTH] },
    })
}
const MONTH = 'tests/faults/month'
/** What mostly waits for something to die or to come up again. */
const WAITING = ['tests/faults/restarts']

/** What takes long by waiting more than by reckoning: the machine is free for the others meanwhile. */
async function besideIt(wanted, ready) {
  await ready
  if (!wanted.has('faults')) return
  await vitest(tally, 'faults', 'Killed and started again', {
    only: { name: '-waiting', args: WAITING },
  })
  await vitest(tally, 'faults', 'Cut, filled and fuzzed', {
    only: {
      name: '-rest',
      args: [MONTH, ...WAITING].flatMap((path) => ['--exclude', `${path}/**`]),
    },
  })
}

/**
 * A browser that has to wait for its turn misses what a person would see: two of them, each with a
 * house of its own, and nothing beside them.
 */
function inTheBrowser() {
  return inAHouse(['test', 24610, 4390], (one) =>
    inAHouse(['test-beside', 24660, 4440], (other) => playwright(tally, [one, other])),
  )
}

async function inAHouse([name, firstPort, wanted], work) {
  const house = await openHouse(name, { firstPort, wanted })
  open.add(house)
  try {
    await work({
      OAK_TEST_URL: house.address,
      OAK_TEST_OWNER_DB: house.cluster.url('owner'),
      OAK_TEST_APP_DB: house.cluster.url('app'),
      OAK_TEST_SECRETS: house.cluster.secretsFile,
    })
  } finally {
    open.delete(house)
    await house.close()
  }
}

/** What reads the sources alone. */
async function onTheSources(wanted, built) {
  if (wanted.has('unit')) await vitest(tally, 'core', 'The core, by example and by property')
  if (wanted.has('reference')) await vitest(tally, 'reference', 'Against the outside world')
  if (wanted.has('imports')) await imports(tally)
  // A build writes the types and the settings that these read anew.
  await built
  if (wanted.has('lint')) await lint(tally)
  if (wanted.has('types')) await types(tally)
  if (wanted.has(ADDITIONS)) {
    await howTos(tally)
    await additions(tally)
  }
}

function close() {
  if (process.argv.includes('--help')) return
  const { counts, broken, took } = tally
  if (broken && counts.failed === 0) counts.failed = 1
  const total = (Date.now() - STARTED) / 1000
  say(`in ${Math.round(total)} s`)
  const skipped = counts.skipped > 0 ? `, ${counts.skipped} skipped` : ''
  say(`tests: ${counts.passed} passed, ${counts.failed} failed${skipped}`)
  if (!broken && took.length > 7)
    writeFileSync(join(OUT, 'took.json'), JSON.stringify({ total, parts: took }))
  process.exit(broken || counts.failed > 0 ? 1 : 0)
}

main()
  .catch((event) => {
    tally.broken = true
    say(`\n${event instanceof Trouble ? event.message : event.stack}`)
  })
  .finally(async () => {
    await Promise.allSettled([...open].map((house) => house.close()))
    close()
  })
