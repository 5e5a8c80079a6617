/**
 * What no test notices: changes one thing at a time in the rooms that count on the face, and sees
 * whether a test fails. `npm run mutants [how many] [seed]`: a sample, drawn by the seed, for as long
 * as ten minutes. Works in two throw-away copies.
 */
import {
  cpSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { ROOT, run, say } from './say.mjs'

const ROOMS = [
  'screening',
  'load',
  'dosing',
  'planning/checks',
  'tray',
  'treatment',
  'record',
  'aftercare',
]
const MOST_MS = 600_000
/**
 * Tests that have to do with these rooms: their own, and those that stand on them. Whole plans of
 * random people see a change as well, but take minutes over each: the written cases stand for them.
 */
const WATCHED = [...ROOMS, 'visit', 'timing', 'course']
const COPY = join(ROOT, '.data', 'mutants')
const OTHER_WAY = new Map([
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
])
const OTHER_WORD = new Map([
  ['true', 'false'],
  ['false', 'true'],
  ['min', 'max'],
  ['max', 'min'],
  ['floor', 'ceil'],
  ['ceil', 'floor'],
  ['some', 'every'],
  ['every', 'some'],
])

/** Every single change that could be made in a file. */
function changesIn(file) {
  const text = readFileSync(join(ROOT, file), 'utf8')
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
  const found = []
  const put = (node, to) => found.push({ file, from: node.getStart(), until: node.getEnd(), to })
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return
    if (ts.isBinaryExpression(node)) {
      const other = OTHER_WAY.get(node.operatorToken.kind)
      if (other) put(node.operatorToken, other)
    }
    if (ts.isNumericLiteral(node)) put(node, String(Number(node.text) + 1))
    const word = OTHER_WORD.get(node.getText())
    if (word && node.getChildCount() === 0) put(node, word)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found.map((change) => ({
    ...change,
    line: text.slice(0, change.from).split('\n').length,
    was: text.slice(change.from, change.until),
    text: text.slice(0, change.from) + change.to + text.slice(change.until),
  }))
}

function seeded(seed) {
  let state = seed
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return state / 2_147_483_648
  }
}
function drawn(list, count, seed) {
  const next = seeded(seed)
  return list
    .map((one) => ({ one, at: next() }))
    .sort((first, second) => first.at - second.at)
    .slice(0, count)
    .map(({ one }) => one)
}

function copyTree(copy) {
  rmSync(copy, { recursive: true, force: true })
  mkdirSync(copy, { recursive: true })
  for (const name of ['core', 'contracts', 'db', 'tests', 'package.json', 'vitest.config.ts'])
    cpSync(join(ROOT, name), join(copy, name), { recursive: true })
  symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'))
}

const sources = ROOMS.flatMap((room) =>
  readdirSync(join(ROOT, 'core', room), { recursive: true })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .map((name) => ({ room, file: `core/${room}/${name}` })),
)
const [count = '200', seed = '20261126'] = process.argv.slice(2)
const chosen = drawn(
  sources.flatMap(({ room, file }) => changesIn(file).map((change) => ({ ...change, room }))),
  Number(count),
  Number(seed),
)

/** The tests that are asked, those nearest by first: most changes need no more. */
const asked = (room) => [
  ['--project', 'core', `core/${room}/`],
  [
    '--project',
    'core',
    '--project',
    'reference',
    ...WATCHED.filter((one) => one !== room).map((one) => `core/${one}/`),
    'tests/reference/dose',
    'tests/reference/effects',
    'tests/reference/protocols',
    'tests/reference/lived',
  ],
]
const VITEST = ['node_modules/vitest/vitest.mjs', 'run', '--bail', '1']
/** Properties are looked at in haste: a change that only the last of thousands shows counts as unseen. */
const HASTE = { ...process.env, OAK_HASTE: '1' }
/** A change that makes the tests run without an end is noticed as well. */
const MOST_OF_ONE_MS = 240_000
const isRed = async (copy, tests) => {
  const options = { cwd: copy, env: HASTE, endAfterMs: MOST_OF_ONE_MS }
  return (await run(process.execPath, [...VITEST, ...tests], options)).code !== 0
}
async function isNoticed(copy, { room, file, text }) {
  // Put back from the copy itself: the tree that it was made of may have been worked on since.
  const before = readFileSync(join(copy, file), 'utf8')
  writeFileSync(join(copy, file), text)
  try {
    for (const tests of asked(room)) if (await isRed(copy, tests)) return true
    return false
  } finally {
    writeFileSync(join(copy, file), before)
  }
}

let began = 0
const tally = { noticed: 0, asked: 0 }
/** Takes one change after the other until there are none left or the time is over. */
async function work(copy) {
  while (Date.now() - began < MOST_MS) {
    const change = chosen.shift()
    if (!change) break
    const seen = await isNoticed(copy, change)
    tally.asked++
    if (seen) tally.noticed++
    else say(`unnoticed: ${change.file}:${change.line}: ${change.was} → ${change.to}`)
  }
  rmSync(copy, { recursive: true, force: true })
}
const copies = [1, 2].map((number) => `${COPY}-${number}`)
for (const copy of copies) copyTree(copy)
// Tests that are red without any change would notice everything.
for (const tests of asked('screening'))
  if (await isRed(copies[0], tests)) throw new Error('red before')
began = Date.now()
await Promise.all(copies.map(work))
const percent = Math.round((tally.noticed / tally.asked) * 100)
say(`${tally.noticed} of ${tally.asked} changes are noticed by a test: ${percent} %`)
