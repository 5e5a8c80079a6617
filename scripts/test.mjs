import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ensurePostgres } from './cluster.mjs'
import { openHouse } from './house.mjs'
import { debian, has, ROOT, run, say, Trouble } from './say.mjs'
import { ensureBuild, ensurePackages } from './setup.mjs'

const HELP = `./test                 everything, on a throw-away cluster
./test PART [PART …]   some parts: ${'lint types imports unit reference solver build api faults e2e'}
./test full            everything, with the long seeded runs
./test --help          this page`
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
const OUT = join(ROOT, '.data', 'test-results')
const bin = (name) => join(ROOT, 'node_modules', '.bin', name)
const counts = { passed: 0, failed: 0, skipped: 0 }
const took = []
let broken = false

async function gate(title, command, args) {
  process.stdout.write(`· ${title} `)
  const began = Date.now()
  const { code, output } = await run(command, args, {
    env: { ...process.env, NODE_OPTIONS: '--max-old-space-size=6144' },
  })
  say(code === 0 ? `ok, ${seconds(began, title)}` : `FAILED\n${output.slice(-6000)}`)
  if (code !== 0) broken = true
}
const STARTED = Date.now()
function seconds(began, title) {
  const s = (Date.now() - began) / 1000
  if (title) took.push({ title, seconds: s })
  return `${Math.round(s)} s`
}

/** Runs one project of the unit runner and takes its counts from its own report. */
async function vitest(project, title, env = {}) {
  const began = Date.now()
  const report = join(OUT, `${project}.json`)
  rmSync(report, { force: true })
  process.stdout.write(`· ${title} `)
  const { code, output } = await run(
    process.execPath,
    [
      join(ROOT, 'node_modules/vitest/vitest.mjs'),
      'run',
      '--project',
      project,
      '--reporter=json',
      '--reporter=default',
      `--outputFile.json=${report}`,
    ],
    { env: { ...process.env, ...env } },
  )
  if (!existsSync(report)) {
    broken = true
    say(`FAILED before any test ran\n${output.slice(-6000)}`)
    return
  }
  const r = JSON.parse(readFileSync(report, 'utf8'))
  add({
    passed: r.numPassedTests,
    failed: r.numFailedTests,
    skipped: r.numPendingTests + r.numTodoTests,
  })
  const empty = r.numTotalTests === 0
  if (code !== 0 || empty) {
    broken = true
    say(`${empty ? 'FOUND NO TEST' : 'FAILED'}\n${output.slice(-9000)}`)
  } else say(`${r.numPassedTests} passed, ${seconds(began, title)}`)
  for (const line of output.split('\n').filter((l) => l.startsWith('≈ '))) say(`  ${line}`)
}

async function playwright(env) {
  const began = Date.now()
  const report = join(OUT, 'e2e.json')
  rmSync(report, { force: true })
  process.stdout.write('· In a real browser ')
  const { code, output } = await run(
    process.execPath,
    [join(ROOT, 'node_modules/@playwright/test/cli.js'), 'test', '--project', 'e2e'],
    { env: { ...process.env, ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: report } },
  )
  if (!existsSync(report)) {
    broken = true
    say(`FAILED before any test ran\n${output.slice(-6000)}`)
    return
  }
  const { stats } = JSON.parse(readFileSync(report, 'utf8'))
  add({ passed: stats.expected, failed: stats.unexpected + stats.flaky, skipped: stats.skipped })
  const empty = stats.expected + stats.unexpected === 0
  if (code !== 0 || empty) {
    broken = true
    say(`${empty ? 'FOUND NO TEST' : 'FAILED'}\n${output.slice(-9000)}`)
  } else say(`${stats.expected} passed, ${seconds(began, 'In a real browser')}`)
  for (const line of output.split('\n').filter((l) => l.startsWith('≈ '))) say(`  ${line}`)
}
const add = (more) => {
  for (const k of Object.keys(counts)) counts[k] += more[k] ?? 0
}

async function main() {
  const asked = process.argv.slice(2)
  if (asked.includes('--help')) {
    say(HELP)
    return
  }
  const full = asked.includes('full')
  const named = asked.filter((a) => a !== 'full')
  const unknown = named.find((a) => !PARTS.includes(a))
  if (unknown) throw new Trouble(`${unknown} is not a part. ./test --help lists them.`)
  const wanted = new Set(named.length > 0 ? named : PARTS)
  if (full) process.env.OAK_FULL = '1'
  mkdirSync(OUT, { recursive: true })
  const needsHouse = wanted.has('api') || wanted.has('e2e')
  if (needsHouse || wanted.has('faults')) await ensurePostgres()
  if (wanted.has('e2e') && !has('chromium')) await debian(['chromium'], 'Chromium')
  await ensurePackages()
  if (wanted.has('lint')) {
    await gate('Laid out by the formatter', bin('prettier'), ['--check', '.'])
    await gate('Lint', bin('eslint'), ['.'])
    await gate('Lengths', process.execPath, ['scripts/figures.mjs'])
  }
  if (wanted.has('types')) await gate('Types', bin('nuxt'), ['typecheck'])
  if (wanted.has('imports'))
    await gate(
      'Imports run downhill',
      bin('depcruise'),
      [
        '--config',
        '.dependency-cruiser.cjs',
        'core',
        'contracts',
        'db',
        'server',
        'app',
        'devices',
        'bench',
        'tests',
      ].filter((f) => f.startsWith('-') || existsSync(join(ROOT, f))),
    )
  if (wanted.has('unit')) await vitest('core', 'The core, by example and by property')
  if (wanted.has('reference')) await vitest('reference', 'Against the outside world')
  if (wanted.has('solver'))
    await vitest('solver', 'Against trying everything and an outside solver')
  if (wanted.has('build') || needsHouse || wanted.has('faults')) await ensureBuild()
  if (needsHouse) {
    const house = await openHouse('test')
    const env = {
      OAK_TEST_URL: house.address,
      OAK_TEST_OWNER_DB: house.cluster.url('owner'),
      OAK_TEST_APP_DB: house.cluster.url('app'),
      OAK_TEST_SECRETS: house.cluster.secretsFile,
    }
    try {
      if (wanted.has('api')) await vitest('api', 'Over the wire, on real PostgreSQL', env)
      if (wanted.has('e2e')) await playwright(env)
    } finally {
      await house.close()
    }
  }
  if (wanted.has('faults')) await vitest('faults', 'Killed, cut and restarted')
}

main()
  .catch((e) => {
    broken = true
    say(`\n${e instanceof Trouble ? e.message : e.stack}`)
  })
  .finally(() => {
    if (process.argv.includes('--help')) return
    if (broken && counts.failed === 0) counts.failed = 1
    say(
      `tests: ${counts.passed} passed, ${counts.failed} failed${counts.skipped > 0 ? `, ${counts.skipped} skipped` : ''}`,
    )
    if (!broken && took.length > 7)
      writeFileSync(
        join(OUT, 'took.json'),
        JSON.stringify({ total: (Date.now() - STARTED) / 1000, parts: took }),
      )
    process.exit(broken || counts.failed > 0 ? 1 : 0)
  })
