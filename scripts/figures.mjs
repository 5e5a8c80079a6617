/**
 * How long the house's handwriting is: lengths of files, functions, lines and template expressions.
 * Prints the figures, every place over its limit and every function of the core without a word; ends
 * with 1 if there is one. Part of `./test lint`.
 */
import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import ts from 'typescript'
import { parse } from 'vue/compiler-sfc'
import { ROOT, say } from './say.mjs'

const LIMITS = { vueLines: 250, tsLines: 300, functionLines: 60, lineLength: 140, meanLine: 45 }
/** One subject that is not cut for a limit: its functions may not branch too often instead (lint). */
const WHOLE = /^core\/planning\/search\//
const limitOf = (file) => {
  if (WHOLE.test(file)) return Number.POSITIVE_INFINITY
  return file.endsWith('.vue') ? LIMITS.vueLines : LIMITS.tsLines
}

/** Rows of the trade, of the demo and of the database are as long as there are rows. */
const ROWS = [
  /^core\/catalogue\//,
  /^db\/(demo|schema|migrations)\//,
  /^app\/components\/face\/outlines\.ts$/,
  /^tests\/(api\/(accessTable|badInputRows)|reference\/writtenCases)\.ts$/,
]
const isRows = (file) => ROWS.some((pattern) => pattern.test(file))
const isTest = (file) => /\.(test|spec)\.ts$/.test(file)
/** Second opinions, each a model stated in one piece so that it can be read beside its rule. */
const IN_ONE_PIECE = ['tests/solver/mip.ts', 'tests/solver/replay.ts']

function ownFiles() {
  const listed = spawnSync('git', ['ls-files', '-co', '--exclude-standard'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
  return listed.stdout.split('\n').filter((file) => /\.(ts|vue|mjs)$/.test(file))
}

const linesOf = (text) => text.replace(/\n$/, '').split('\n')

/**
 * A function's lines are its own: functions that it declares by name are measured by themselves, so
 * that a composable or a store is not long for holding many short ones.
 * @returns {{ name: string, lines: number, at: number }[]}
 */
export function functionsOf(text, fileName = 'script.ts') {
  const source = ts.createSourceFile(fileName, text, ts.ScriptTarget.Latest, true)
  const found = []
  const lineAt = (place) => source.getLineAndCharacterOfPosition(place).line
  const visit = (node, outer) => {
    let holder = outer
    if (ts.isFunctionLike(node) && node.body) {
      const named = node.name ?? (ts.isVariableDeclaration(node.parent) && node.parent.name)
      const lines = lineAt(node.getEnd()) - lineAt(node.getStart()) + 1
      holder = {
        name: named ? named.getText() : '(unnamed)',
        lines,
        at: lineAt(node.getStart()) + 1,
      }
      found.push(holder)
      if (named && outer) outer.lines -= lines
    }
    ts.forEachChild(node, (child) => visit(child, holder))
  }
  visit(source, undefined)
  return found
}

/**
 * @returns {{ text: string, at: number }[]} the template's expressions that run over more than a
 * line
 */
export function longExpressions(template) {
  const found = []
  const take = (expression) => {
    const text = expression?.loc?.source ?? ''
    if (text.trim().includes('\n')) found.push({ text, at: expression.loc.start.line })
  }
  const visit = (node) => {
    if (node.type === 5) take(node.content)
    for (const prop of node.props ?? []) if (prop.type === 7) take(prop.exp)
    for (const child of node.children ?? []) visit(child)
  }
  if (template?.ast) visit(template.ast)
  return found
}

/** Functions that others may call and that do not say what they are. */
function unsaid(file, text) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
  return source.statements.flatMap((node) => {
    if (!node.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return []
    const [declared] = node.declarationList?.declarations ?? [node]
    const isFunction = ts.isFunctionLike(declared.initializer ?? declared)
    return isFunction && !node.jsDoc?.length ? [declared.name?.getText() ?? ''] : []
  })
}
/** The core is read by everybody: what it gives to others says so. */
const isSaid = (file) =>
  /^core\/.*\.ts$/.test(file) && !isTest(file) && !file.startsWith('core/testing/')

const longFunctions = (file, code) =>
  functionsOf(code)
    .filter(({ lines }) => lines > LIMITS.functionLines)
    .map(({ name, lines }) => `${file}: ${name} runs over ${lines} lines (${LIMITS.functionLines})`)

function measureFile(file, text) {
  const over = []
  const lines = linesOf(text)
  const rows = isRows(file)
  const limit = limitOf(file)
  if (!rows && lines.length > limit) over.push(`${file}: ${lines.length} lines (${limit})`)
  lines.forEach((line, index) => {
    if (line.length > LIMITS.lineLength)
      over.push(`${file}:${index + 1}: ${line.length} characters`)
  })
  const script = file.endsWith('.vue') ? parse(text).descriptor : undefined
  const code = script ? (script.scriptSetup ?? script.script)?.content : text
  if (code && !rows && !isTest(file) && !IN_ONE_PIECE.includes(file))
    over.push(...longFunctions(file, code))
  for (const name of isSaid(file) ? unsaid(file, text) : [])
    over.push(`${file}: ${name} does not say what it is`)
  for (const found of longExpressions(script?.template))
    over.push(`${file}:${found.at}: a template expression over more than a line`)
  return { over, rows, lines }
}

/** Measures the whole tree. @returns the places over a limit and the figures, for printing */
export function measure() {
  const over = []
  let lines = 0
  let characters = 0
  const files = ownFiles()
  for (const file of files) {
    const measured = measureFile(file, readFileSync(join(ROOT, file), 'utf8'))
    over.push(...measured.over)
    if (measured.rows) continue
    lines += measured.lines.length
    for (const line of measured.lines) characters += line.length
  }
  const mean = characters / lines
  if (mean > LIMITS.meanLine) over.push(`a line has ${mean.toFixed(1)} characters on average`)
  return { over, files: files.length, lines, mean }
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const { over, files, lines, mean } = measure()
  say(
    `${files} files, ${lines} lines outside rows, ${mean.toFixed(1)} characters a line on average`,
  )
  for (const place of over) say(`  ${place}`)
  say(over.length === 0 ? 'every length is within its limit' : `${over.length} places over a limit`)
  process.exitCode = over.length === 0 ? 0 : 1
}
