/**
 * What no test notices: changes one thing at a time in the rooms that count on the face, and sees
 * whether a test fails. `npm run mutants [how many] [seed]`: a sample, drawn by the seed, for as long
 * as ten minutes. Works in a throw-away copy.
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
/** Tests that have to do with these rooms: their own, and those that stand on them. */
const WATCHED = [...ROOMS, 'visit', 'timing', 'course', 'planning/answer', 'planning/today']
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

function copyTree() {
  rmSync(COPY, { recursive: true, force: true })
  mkdirSync(COPY, { recursive: true })
  for (const name of ['core', 'contracts', 'tests', 'package.json', 'vitest.config.ts'])
    cpSync(join(ROOT, name), join(COPY, name), { recursive: true })
  symlinkSync(join(ROOT, 'node_modules'), join(COPY, 'node_modules'))
}

const sources = ROOMS.flatMap((room) =>
  readdirSync(join(ROOT, 'core', room), { recursive: true })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .map((name) => `core/${room}/${name}`),
)
const [count = '80', seed = '20261126'] = process.argv.slice(2)
const chosen = drawn(sources.flatMap(changesIn), Number(count), Number(seed))
copyTree()
const vitest = ['node_modules/vitest/vitest.mjs', 'run', '--bail', '1', '--project']
const watched = WATCHED.map((room) => `core/${room}/`)
let noticed = 0
let asked = 0
const began = Date.now()
for (const change of chosen) {
  if (Date.now() - began > MOST_MS) break
  asked++
  writeFileSync(join(COPY, change.file), change.text)
  const core = await run(process.execPath, [...vitest, 'core', ...watched], { cwd: COPY })
  const doses = ['reference', 'tests/reference/dose', 'tests/reference/effects']
  const seen =
    core.code !== 0 ||
    (await run(process.execPath, [...vitest, ...doses], { cwd: COPY })).code !== 0
  cpSync(join(ROOT, change.file), join(COPY, change.file))
  if (seen) noticed++
  else say(`unnoticed: ${change.file}:${change.line}: ${change.was} → ${change.to}`)
}
rmSync(COPY, { recursive: true, force: true })
say(`${noticed} of ${asked} changes are noticed by a test`)
