import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { expect, it } from 'vitest'
import { parse } from 'vue/compiler-sfc'

/**
 * Numbers of the trade are rows of the core, with reason and source. Here stands what a page or a
 * service may reckon with: sizes on screen, times of the machine, and its own limits, each under a
 * name that says so.
 */
const FOLDERS = ['app/components', 'app/pages', 'app/stores', 'server/services', 'server/api']
/** The drawing of the face and of the basins: every number is a place on paper. */
const DRAWINGS =
  /^app\/components\/(face\/|common\/BasinBowl\.vue|day\/(MiniBasins|WeekBowls)\.vue|plan\/StripRests\.vue)/
/** What a constant may be of, by the end of its name. */
const OF_THE_MACHINE =
  /(_MS|_BYTES|_LIMIT|_PX|TALL|LANE|COST|DAY|HOUR|MOST|SHOWN|SIZE|ROUNDS|DIGITS)$/
const PLAIN = new Set(['0', '1', '2', '-1'])
const COMPARES_OR_RECKONS = new Set([
  ts.SyntaxKind.LessThanToken,
  ts.SyntaxKind.LessThanEqualsToken,
  ts.SyntaxKind.GreaterThanToken,
  ts.SyntaxKind.GreaterThanEqualsToken,
  ts.SyntaxKind.EqualsEqualsEqualsToken,
  ts.SyntaxKind.ExclamationEqualsEqualsToken,
  ts.SyntaxKind.AsteriskToken,
  ts.SyntaxKind.SlashToken,
])

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) return filesUnder(path)
    return /\.(ts|vue)$/.test(entry.name) ? [path] : []
  })

function isNamed(node: ts.Node): boolean {
  for (let at: ts.Node | undefined = node; at; at = at.parent)
    if (ts.isVariableDeclaration(at) && OF_THE_MACHINE.test(at.name.getText())) return true
  return false
}
/** Numbers that a piece of code compares or reckons with, and has no name for. */
function numbersIn(code: string): string[] {
  const source = ts.createSourceFile('code.ts', code, ts.ScriptTarget.Latest, true)
  const found: string[] = []
  const visit = (node: ts.Node) => {
    if (
      ts.isNumericLiteral(node) &&
      ts.isBinaryExpression(node.parent) &&
      COMPARES_OR_RECKONS.has(node.parent.operatorToken.kind) &&
      !PLAIN.has(node.getText()) &&
      !isNamed(node) &&
      !/\.status\b/.test(node.parent.left.getText())
    )
      found.push(node.parent.getText())
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}
/** Every expression of a template, each as code of its own. */
function expressionsOf(template: unknown): string[] {
  const found: string[] = []
  const visit = (node: Record<string, unknown>) => {
    const content = node.content as { loc?: { source: string } } | undefined
    if (node.type === 5 && content?.loc) found.push(content.loc.source)
    for (const prop of (node.props ?? []) as { exp?: { loc: { source: string } } }[])
      if (prop.exp) found.push(prop.exp.loc.source)
    for (const child of (node.children ?? []) as Record<string, unknown>[]) visit(child)
  }
  visit(template as Record<string, unknown>)
  return found
}
function numbersOf(file: string): string[] {
  const text = readFileSync(file, 'utf8')
  if (!file.endsWith('.vue')) return numbersIn(text)
  const { descriptor } = parse(text)
  const script = (descriptor.scriptSetup ?? descriptor.script)?.content ?? ''
  const template = descriptor.template?.ast
  const inTemplate = template
    ? expressionsOf(template).flatMap((code) => numbersIn(`(${code})`))
    : []
  return [...numbersIn(script), ...inTemplate]
}

it('no page, component, store, route or service reckons with a number of the trade', () => {
  const files = FOLDERS.flatMap(filesUnder).filter((file) => !DRAWINGS.test(file))
  expect(files.length).toBeGreaterThan(150)
  const found = files.flatMap((file) => numbersOf(file).map((number) => `${file}: ${number}`))
  expect(found).toEqual([])
})

it('and one that does is found', () => {
  expect(numbersIn('const bears = skin.tolerance > 160')).toEqual(['skin.tolerance > 160'])
  expect(numbersIn('const WINDOW_MS = 15 * 60_000')).toEqual([])
})

it('colours stand in the theme only', () => {
  const files = filesUnder('app').filter((file) => !file.startsWith('app/theme/'))
  const styles = readdirSync('app/assets').map((name) => join('app/assets', name))
  const withHex = [...files, ...styles.filter((name) => name.endsWith('.css'))].filter((file) =>
    /#[0-9a-f]{6}\b|#[0-9a-f]{3}\b(?=[;,\s)])/i.test(readFileSync(file, 'utf8')),
  )
  expect(withHex).toEqual([])
})
