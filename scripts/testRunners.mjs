import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { compileAll, follow, pages } from './additions/follow.mjs'
import { LONG_WORK, ROOT, run, say } from './say.mjs'

export const OUT = join(ROOT, '.data', 'test-results')
const bin = (name) => join(ROOT, 'node_modules', '.bin', name)
const VITEST = join(ROOT, 'node_modules/vitest/vitest.mjs')
const PLAYWRIGHT = join(ROOT, 'node_modules/@playwright/test/cli.js')
/** How much of a failed part's output is shown. */
const SHOWN = 9000

/** What all parts of one run have come to. */
export class Tally {
  counts = { passed: 0, failed: 0, skipped: 0 }
  took = []
  broken = false

  add(more) {
    for (const kind of Object.keys(this.counts)) this.counts[kind] += more[kind] ?? 0
  }

  /** Says how a part ended, in one line; what it printed only where it failed. */
  end(title, began, ok, words, output = '') {
    const seconds = (Date.now() - began) / 1000
    this.took.push({ title, seconds })
    if (!ok) this.broken = true
    say(`· ${title}: ${words}, ${Math.round(seconds)} s`)
    if (!ok) say(output.slice(-SHOWN))
    else for (const line of output.split('\n')) if (line.startsWith('≈ ')) say(`  ${line}`)
  }
}

/** A command that passes or fails as a whole. */
export async function gate(tally, title, command, args) {
  const began = Date.now()
  const env = { ...process.env, NODE_OPTIONS: LONG_WORK }
  const { code, output } = await run(command, args, { env })
  tally.end(title, began, code === 0, code === 0 ? 'ok' : 'FAILED', output)
}

export const lint = async (tally) => {
  await gate(tally, 'Laid out by the formatter', bin('prettier'), ['--check', '.'])
  await gate(tally, 'Lint', bin('eslint'), ['.'])
  await gate(tally, 'Lengths', process.execPath, [join(ROOT, 'scripts/figures.mjs')])
}
/** All of it at once, so that no file is looked through for each of those that use it. */
export const types = (tally) => gate(tally, 'Types', bin('vue-tsc'), ['-p', 'tsconfig.whole.json'])
/** The sources are read once for both: for whether imports run downhill, and for the drawing of them. */
export const imports = async (tally) => {
  const read = join(OUT, 'imports.json')
  await gate(tally, 'Imports are read', bin('depcruise'), [
    ...['--config', '.dependency-cruiser.cjs', '--output-type', 'json', '--output-to', read],
    ...['core', 'contracts', 'db', 'server', 'app', 'devices', 'bench', 'tests'],
  ])
  const told = ['--output-type', 'err-long', '--exit-code', read]
  await gate(tally, 'Imports run downhill', bin('depcruise-fmt'), told)
  const formats = [join(ROOT, 'scripts/formats.mjs'), '--check', `--imports=${read}`]
  await gate(tally, 'What the documents say follows from the code', process.execPath, formats)
}

/** Two of everything, and the database that leads killed three times under tablets that tap. */
export const failOver = (tally) =>
  followed(tally, 'A database is killed and another takes over, three times', async () => {
    const walk = [join(ROOT, 'scripts/wide/failOver.mjs')]
    const { code, output } = await run(process.execPath, walk)
    if (code !== 0) throw new Error(output.slice(-SHOWN))
  })

/** Each page of docs/how-to, followed by its own words. */
export async function additions(tally) {
  for (const page of pages()) await followed(tally, `Followed ${page}`, () => follow(page))
}
/** What all of them add compiles, and passes the tests that they bring. */
export const howTos = (tally) => followed(tally, 'The pages of docs/how-to compile', compileAll)

async function followed(tally, title, work) {
  const began = Date.now()
  const trouble = await work().then(
    () => '',
    (error) => error.message,
  )
  tally.add(trouble ? { failed: 1 } : { passed: 1 })
  tally.end(title, began, !trouble, trouble ? 'FAILED' : 'ok', trouble)
}

/** Runs a runner that writes a report, and takes the counts from it. */
async function counted(tally, title, { report, args, env, read }) {
  const began = Date.now()
  rmSync(report, { force: true })
  const own = { ...process.env, NODE_OPTIONS: LONG_WORK, ...env }
  const { code, output } = await run(process.execPath, args, { env: own })
  if (!existsSync(report)) {
    tally.end(title, began, false, 'FAILED before any test ran', output)
    return
  }
  const { again = [], ...counts } = read(JSON.parse(readFileSync(report, 'utf8')))
  tally.add(counts)
  const empty = counts.passed + counts.failed === 0
  const words = empty ? 'FOUND NO TEST' : `${counts.passed} passed, ${counts.failed} failed`
  tally.end(title, began, code === 0 && !empty, words, output)
  for (const one of again) say(`  ≈ passed at the second try only: ${one}`)
}

/**
 * Runs one project of the unit runner.
 * @param more.env what it wants to know
 * @param more.only arguments that choose a part of it, and the part's name
 */
export function vitest(tally, project, title, { env = {}, only = { name: '', args: [] } } = {}) {
  const report = join(OUT, `${project}${only.name}.json`)
  return counted(tally, title, {
    report,
    env,
    args: [
      VITEST,
      'run',
      '--project',
      project,
      ...only.args,
      '--reporter=json',
      '--reporter=default',
      `--outputFile.json=${report}`,
    ],
    read: (found) => ({
      passed: found.numPassedTests,
      failed: found.numFailedTests,
      skipped: found.numPendingTests + found.numTodoTests,
    }),
  })
}

/**
 * The browser's tests, handed out one by one to as many browsers as there are houses: each browser has
 * a house of its own.
 * @param houses what each house's tests want to know
 */
export function playwright(tally, houses) {
  const report = join(OUT, 'e2e.json')
  return counted(tally, 'In a real browser', {
    report,
    env: {
      ...houses[0],
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      OAK_HOUSES: JSON.stringify(houses),
    },
    args: [PLAYWRIGHT, 'test', '--project', 'e2e', `--workers=${houses.length}`],
    read: ({ stats, suites }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
      skipped: stats.skipped,
      again: suites.flatMap(secondTries),
    }),
  })
}

/** Titles of what passed at a second try only, in a suite of the report and those within it. */
const secondTries = ({ specs = [], suites = [] }) => [
  ...specs
    .filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
    .map(({ title }) => title),
  ...suites.flatMap(secondTries),
]
