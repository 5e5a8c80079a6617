/**
 * Follows a page of docs/how-to by its own words in a throw-away copy of the tree: what its blocks
 * add is added where they say, and nothing else; then the types, the page's own test and all tests
 * of the core have to pass.
 *
 * A block says where it goes: "```ts new PATH" is a file of its own, "```ts in PATH after TEXT" goes
 * behind the one line that ends with TEXT.
 */
import { spawnSync } from 'node:child_process'
import {
  cpSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ROOT, run, say, Trouble } from '../say.mjs'

const PAGES = join(ROOT, 'docs', 'how-to')
const COPIES = join(ROOT, '.data', 'additions')
/** What the core and the contracts stand on. */
const TAKEN = /^(core|contracts|tests\/support)\/|^(package\.json|vitest\.config\.ts)$/
const BLOCK = /^```ts (new|in) (\S+)(?: after (.+))?\n([\s\S]*?)^```$/gm

/** @returns {{ how: string, file: string, after?: string, text: string }[]} */
export function blocksOf(page) {
  return [...page.matchAll(BLOCK)].map(([, how, file, after, text]) => ({ how, file, after, text }))
}

/** @param tests which tests are looked through with the rest; all of them where none are named */
function copyTree(name, tests) {
  const copy = join(COPIES, name)
  rmSync(copy, { recursive: true, force: true })
  const listed = spawnSync('git', ['ls-files', '-co', '--exclude-standard'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
  for (const file of listed.stdout.split('\n').filter((path) => TAKEN.test(path))) {
    mkdirSync(dirname(join(copy, file)), { recursive: true })
    cpSync(join(ROOT, file), join(copy, file))
  }
  symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'))
  mkdirSync(join(copy, '.nuxt'))
  cpSync(join(ROOT, '.nuxt/tsconfig.shared.json'), join(copy, '.nuxt/tsconfig.shared.json'))
  writeFileSync(
    join(copy, 'tsconfig.json'),
    JSON.stringify({
      extends: './.nuxt/tsconfig.shared.json',
      compilerOptions: { noEmit: true, types: ['node'], typeRoots: ['./node_modules/@types'] },
      include: ['core/**/*.ts', 'contracts/**/*.ts'],
      ...(tests ? { exclude: ['**/*.test.ts'], files: tests } : {}),
    }),
  )
  return copy
}

/** @throws Trouble where the page names a line that is not there, or is there twice */
function add(copy, { how, file, after, text }) {
  const path = join(copy, file)
  if (how === 'new') {
    writeFileSync(path, text)
    return
  }
  const lines = readFileSync(path, 'utf8').split('\n')
  const places = lines.flatMap((line, index) => (line.endsWith(after) ? [index] : []))
  if (places.length !== 1)
    throw new Trouble(`${file} has ${places.length} lines that end with: ${after}`)
  lines.splice(places[0] + 1, 0, text.replace(/\n$/, ''))
  writeFileSync(path, lines.join('\n'))
}

async function step(copy, what, args) {
  // The laws are drawn at full length once, where nothing is added.
  const env = { ...process.env }
  delete env.OAK_FULL
  const { code, output } = await run(process.execPath, args, { cwd: copy, env })
  if (code !== 0) throw new Trouble(`${what}:\n${output.slice(-4000)}`)
}

/** The page's blocks, and which of them is its own test. @throws Trouble where it has not one */
function readPage(file) {
  const blocks = blocksOf(readFileSync(join(PAGES, file), 'utf8'))
  const tests = blocks.filter(({ how, file }) => how === 'new' && file.endsWith('.test.ts'))
  if (tests.length !== 1) throw new Trouble(`${file} wants one test of its own`)
  return { blocks, test: tests[0].file }
}
const TYPES = ['node_modules/typescript/bin/tsc', '-p', 'tsconfig.json']
const VITEST = ['node_modules/vitest/vitest.mjs', 'run', '--project', 'core']

/**
 * All pages at once in one copy: what they add compiles, and each page's own test passes.
 * @throws Trouble with what went wrong, in the words of the tool that said so
 */
export async function compileAll() {
  const read = pages().map(readPage)
  const tests = read.map(({ test }) => test)
  // The other tests are looked through where they stand: nothing of theirs is another here.
  const copy = copyTree('all', tests)
  for (const { blocks } of read) for (const block of blocks) add(copy, block)
  await step(copy, 'types', TYPES)
  await step(copy, 'their own tests', [...VITEST, ...tests])
  rmSync(copy, { recursive: true, force: true })
}

/** Follows one page. @throws Trouble with what went wrong, in the words of the tool that said so */
export async function follow(file) {
  const { blocks, test } = readPage(file)
  const copy = copyTree(basename(file, '.md'))
  for (const block of blocks) add(copy, block)
  await step(copy, 'types', TYPES)
  await step(copy, 'its own test', [...VITEST, test])
  await step(copy, 'the tests of the core', VITEST)
  rmSync(copy, { recursive: true, force: true })
}

/** @returns {string[]} the pages that can be followed */
export const pages = () => readdirSync(PAGES).filter((file) => file.startsWith('add-a'))

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const wanted = process.argv.slice(2)
  for (const file of pages().filter((page) => wanted.length === 0 || wanted.includes(page))) {
    await follow(file)
    say(`${file}: followed`)
  }
}
