import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { parse } from 'vue/compiler-sfc'

/** A number or an id of the trade that stands in code, and where. */
export interface Found {
  file: string
  /** The name of the constant it is given to, where it is. */
  name: string
  text: string
  /** The expression around it. */
  around: string
}

const PLAIN = new Set(['0', '1', '2'])

export const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) return filesUnder(path)
    return /\.(ts|vue)$/.test(entry.name) && !entry.name.endsWith('.test.ts') ? [path] : []
  })

/** The name of the constant, property or parameter that a node is the value of. */
function nameOf(node: ts.Node): string {
  for (let at: ts.Node | undefined = node.parent; at; at = at.parent) {
    if (ts.isVariableDeclaration(at) && ts.isIdentifier(at.name)) return at.name.text
    if (ts.isFunctionLike(at)) return ''
  }
  return ''
}
/** The statement of a status of the web: what a request was answered with. */
const isStatus = (node: ts.Node): boolean => {
  const { parent } = node
  if (ts.isBinaryExpression(parent)) return /\bstatus\b/i.test(parent.getText())
  return (
    (ts.isNewExpression(parent) || ts.isCallExpression(parent)) &&
    parent.arguments?.[0] === node &&
    /Problem|setResponseStatus|createError/.test(parent.expression.getText())
  )
}

/** Numbers but 0, 1 and 2, and ids of the trade, in a piece of code. */
export function foundIn(file: string, code: string, ids: ReadonlySet<string>): Found[] {
  const source = ts.createSourceFile('code.ts', code, ts.ScriptTarget.Latest, true)
  const found: Found[] = []
  const put = (node: ts.Node, text: string) =>
    found.push({
      file,
      name: nameOf(node),
      text,
      around: node.parent.getText().replace(/\s+/g, ' ').slice(0, 80),
    })
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return
    if (ts.isNumericLiteral(node) && !PLAIN.has(node.text) && !isStatus(node)) put(node, node.text)
    if (ts.isStringLiteralLike(node) && ids.has(node.text) && !isOfAnother(node))
      put(node, node.text)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** Compared with a stage of the visit, which may be called as a technique is. */
const isOfAnother = ({ parent }: ts.Node): boolean =>
  ts.isBinaryExpression(parent) && /\bstage\b/.test(parent.left.getText())

/** What a template says: every expression, and every number that stands in an attribute. */
function ofTemplate(template: unknown): string[] {
  const found: string[] = []
  const visit = (node: Record<string, unknown>) => {
    const content = node.content as { loc?: { source: string } } | undefined
    if (node.type === 5 && content?.loc) found.push(`(${content.loc.source})`)
    const props = (node.props ?? []) as {
      name: string
      exp?: { loc: { source: string } }
      arg?: { content?: string }
      value?: { content: string }
    }[]
    for (const { name, exp, arg, value } of props) {
      if (exp && name !== 'for' && name !== 'slot')
        found.push(`${(arg?.content ?? name).replace(/\W/g, '')}(${exp.loc.source})`)
      if (value && OF_INPUT.has(name) && /^-?[\d.]+$/.test(value.content))
        found.push(`${name}(${value.content})`)
    }
    for (const child of (node.children ?? []) as Record<string, unknown>[]) visit(child)
  }
  visit(template as Record<string, unknown>)
  return found
}
/** Attributes that bound what may be said. */
const OF_INPUT = new Set(['min', 'max', 'step', 'maxlength', 'minlength'])

export function foundInTemplate(file: string, template: string, ids: ReadonlySet<string>): Found[] {
  const { descriptor } = parse(`<template>${template}</template>`)
  const ast = descriptor.template?.ast
  return ast ? ofTemplate(ast).flatMap((code) => foundIn(file, code, ids)) : []
}

export function foundInFile(file: string, ids: ReadonlySet<string>): Found[] {
  const text = readFileSync(file, 'utf8')
  if (!file.endsWith('.vue')) return foundIn(file, text, ids)
  const { descriptor } = parse(text)
  const script = (descriptor.scriptSetup ?? descriptor.script)?.content ?? ''
  const template = descriptor.template?.content ?? ''
  return [...foundIn(file, script, ids), ...foundInTemplate(file, template, ids)]
}
