import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePostgres } from './postgres.mjs'
import { openHouse } from './house.mjs'
import { keepChild } from './keep.mjs'
import { debian, endRunning, has, say, toldOfRuns, Trouble } from './say.mjs'
import { ensureBuild, ensurePackages } from './setup.mjs'
import { additions, imports, lint, OUT, playwright, Tally, types, vitest } from './testRunners.mjs'

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
/** Takes long, so that it runs by name and in the full run only. */
const ADDITIONS = 'additions'
const HELP = `./test                 everything, on a throw-away cluster; what needs the build and what does
                       not run side by side
./test PART [PART …]   some parts: ${PARTS.join(' ')} ${ADDITIONS}
./test full            everything, with the long seeded runs and the pages of docs/how-to followed
./test --help          this page`
const tally = new Tally()
/** Houses that are open now: they go when this ends, however it ends. */
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
  const unknown = named.find((part) => ![...PARTS, ADDITIONS].includes(part))
  if (unknown) throw new Trouble(`${unknown} is not a part. ./test --help lists them.`)
  if (named.length > 0) return new Set(named)
  return new Set(process.env.OAK_FULL ? [...PARTS, ADDITIONS] : PARTS)
}

async function main() {
  if (process.argv.includes('--help')) {
    say(HELP)
    return
  }
  const wanted = wantedParts()
  mkdirSync(OUT, { recursive: true })
  if (['api', 'e2e', 'faults'].some((part) => wanted.has(part))) await ensurePostgres()
  if (wanted.has('e2e') && !has('chromium')) await debian(['chromium'], 'Chromium')
  await ensurePackages()
  const built = buildFor(wanted)
  await Promise.all([onTheBuild(wanted, built), onTheSources(wanted, built)])
}

async function buildFor(wanted) {
  const needed = ['build', 'api', 'e2e', 'faults'].some((part) => wanted.has(part))
  if (needed) await ensureBuild()
}

/**
 * What needs the built application: it is built once. Two houses serve, so that one side's waiting
 * is the other's working time: one for the wire and a part of the browser's tests, one for the rest
 * of these.
 */
async function onTheBuild(wanted, built) {
  await built
  const e2e = wanted.has('e2e')
  await Promise.all([
    wanted.has('api') || e2e
      ? inAHouse('test', 24610, 4390, async (env) => {
          if (wanted.has('api'))
            await vitest(tally, 'api', 'Over the wire, on real PostgreSQL', env)
          if (e2e) await playwright(tally, env, 1)
        })
      : undefined,
    e2e ? beside(wanted) : undefined,
  ])
  await faults(wanted)
}

async function beside(wanted) {
  await inAHouse('test-beside', 24660, 4440, async (env) => {
    for (const part of [2, 3]) await playwright(tally, env, part)
  })
  await typesOnce(wanted)
}

async function inAHouse(name, firstPort, wantedPort, work) {
  const house = await openHouse(name, { firstPort, wanted: wantedPort })
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

/** Parts that stand by themselves: whichever side is free first takes them. */
async function faults(wanted) {
  if (wanted.delete('faults')) await vitest(tally, 'faults', 'Killed, cut and restarted')
}
async function typesOnce(wanted) {
  if (wanted.delete('types')) await types(tally)
}

/** What reads the sources alone. */
async function onTheSources(wanted, built) {
  if (wanted.has('unit')) await vitest(tally, 'core', 'The core, by example and by property')
  if (wanted.has('reference')) await vitest(tally, 'reference', 'Against the outside world')
  if (wanted.has('imports')) await imports(tally)
  // A build writes the types and the settings that these read anew.
  await built
  if (wanted.has('lint')) await lint(tally)
  if (wanted.has('solver'))
    await vitest(tally, 'solver', 'Against trying everything and an outside solver')
  await typesOnce(wanted)
  if (wanted.has(ADDITIONS)) await additions(tally)
  await faults(wanted)
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
  .finally(close)
