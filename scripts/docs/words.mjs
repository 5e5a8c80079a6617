/**
 * Every word a person may read, taken from the source by the compilers of its languages: text, labels
 * and accessible names of the templates, and strings of the code that are written for people.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { parse } from 'vue/compiler-sfc'
import { ROOT } from '../say.mjs'

/** Attributes whose words nobody reads. */
const SILENT = new Set([
  'class',
  'style',
  'key',
  'd',
  'transform',
  'points',
  'viewBox',
  'is',
  'ref',
  'role',
  'type',
  'name',
  'autocomplete',
  'variant',
  'color',
  'size',
  'href',
  'to',
  'src',
  'id',
  'for',
  'mode',
  'density',
  'rel',
  'target',
])
/** Fields that hold words even where these look like an id: one word, no capital. */
const WORD_FIELDS = new Set(
  'name label title heading word words text said says why reason message cue short plain one many hint'.split(
    ' ',
  ),
)
/** Fields of the code whose words are for those who read it. */
const SILENT_FIELDS = new Set(['quiet', 'source'])
const SILENT_CALLS = new Set(['querySelector', 'getElementById', 'closest', 'matchMedia', 'error'])
const ELEMENT = 1
const TEXT = 2
const INTERPOLATION = 5
const ATTRIBUTE = 6
const DIRECTIVE = 7

const squeezed = (text) => text.replace(/\s+/g, ' ').trim()
/** Whether a string is written for people: words with a space between, or one that begins a sentence. */
function isForPeople(text) {
  const plain = squeezed(text.replace(/\{[^}]*\}/g, ''))
  if (!/\p{L}{2}/u.test(plain) || /^[\w./#:[\]{}-]*[/#_{}[\]][\w./#:[\]{}-]*$/.test(text))
    return false
  if (/^(M|L|translate|rotate|scale|min-|max-|\(|[a-z-]+: )/.test(plain) && /[\d(]/.test(plain))
    return false
  return /\p{L}{2,}[^\p{L}]* [^\p{L}]*\p{L}/u.test(plain) || /^\p{Lu}\p{Ll}+[.?!]?$/u.test(plain)
}

/** The words of a literal, what is filled in shown in braces. */
function wordsOf(node) {
  if (ts.isStringLiteralLike(node)) return node.text
  return (
    node.head.text +
    node.templateSpans
      .map(({ expression, literal }) => `{${squeezed(expression.getText())}}${literal.text}`)
      .join('')
  )
}
const isLiteral = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)
const COMPARED = new Set([
  ts.SyntaxKind.EqualsEqualsEqualsToken,
  ts.SyntaxKind.ExclamationEqualsEqualsToken,
])
/** Whether the code only reckons with a string and never shows it. */
function isSilent(node) {
  const { parent } = node
  if (!parent) return false
  if (ts.isBinaryExpression(parent)) return COMPARED.has(parent.operatorToken.kind)
  if (ts.isPropertyAssignment(parent))
    return parent.name === node || SILENT_FIELDS.has(parent.name.getText())
  if (ts.isCallExpression(parent)) {
    const called = parent.expression
    return ts.isPropertyAccessExpression(called) && SILENT_CALLS.has(called.name.text)
  }
  return (
    ts.isCaseClause(parent) ||
    ts.isElementAccessExpression(parent) ||
    ts.isTaggedTemplateExpression(parent) ||
    ts.isLiteralTypeNode(parent) ||
    ts.isImportDeclaration(parent) ||
    ts.isExportDeclaration(parent) ||
    (ts.isNewExpression(parent) && parent.expression.getText() === 'Error')
  )
}
const isInWordField = ({ parent }) =>
  parent && ts.isPropertyAssignment(parent) && WORD_FIELDS.has(parent.name.getText())

/** The words of a piece of TypeScript, in their order. */
export function wordsOfCode(code) {
  const source = ts.createSourceFile('words.ts', code, ts.ScriptTarget.Latest, true)
  const found = []
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return
    if (isLiteral(node) && !isSilent(node)) {
      const words = squeezed(wordsOf(node))
      if (isForPeople(words) || (isInWordField(node) && /\p{L}{2}/u.test(words))) found.push(words)
    }
    if (!ts.isTaggedTemplateExpression(node)) ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

function wordsOfAttribute(prop) {
  if (prop.type === ATTRIBUTE)
    return !SILENT.has(prop.name) && prop.value && isForPeople(prop.value.content)
      ? [squeezed(prop.value.content)]
      : []
  const bound = prop.type === DIRECTIVE && prop.name === 'bind'
  if (!bound || SILENT.has(prop.arg?.content)) return []
  return prop.exp ? wordsOfCode(`(${prop.exp.content})`) : []
}
const piece = (child) =>
  child.type === TEXT ? child.content : `{${squeezed(child.content.content)}}`
/** What stands in an element in one go: text and what is filled in, up to the next element. */
function wordsOfChildren(children) {
  const found = []
  let line = ''
  const end = () => {
    const words = squeezed(line)
    const outside = words.replace(/\{[^}]*\}/g, '')
    if (/\p{L}{2}/u.test(outside) || /\{[^}]*['`][^'`]*\p{L}/u.test(words)) found.push(words)
    line = ''
  }
  for (const child of children ?? []) {
    if (child.type === TEXT || child.type === INTERPOLATION) line += piece(child)
    else if (child.type === ELEMENT) {
      end()
      found.push(...wordsOfElement(child))
    }
  }
  end()
  return found
}
const wordsOfElement = (element) => [
  ...element.props.flatMap(wordsOfAttribute),
  ...wordsOfChildren(element.children),
]

/** The words of a page or component: its template first, then its script. */
export function wordsOfComponent(text) {
  const { descriptor } = parse(text, { sourceMap: false })
  const script = descriptor.scriptSetup?.content ?? descriptor.script?.content ?? ''
  const template = descriptor.template?.ast
  return [...(template ? wordsOfChildren(template.children) : []), ...wordsOfCode(script)]
}

/** Words that are looked for in what others write, and those of invented people. */
const NOT_SAID = [
  'contracts/addressBook/columns.ts',
  'core/testing/',
  'core/catalogue/products/abroad.ts',
]
const isRead = (name) =>
  /\.(vue|ts)$/.test(name) &&
  !/\.(test|bench|d)\.ts$/.test(name) &&
  !NOT_SAID.some((one) => name.startsWith(one))
const filesIn = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true })
    .map((name) => join(folder, name))
    .filter(isRead)

/** @returns every file of a folder that holds words, with these in their order, each once */
export function wordsIn(folder) {
  return filesIn(folder)
    .sort()
    .map((file) => {
      const text = readFileSync(join(ROOT, file), 'utf8')
      const words = file.endsWith('.vue') ? wordsOfComponent(text) : wordsOfCode(text)
      return { file, words: [...new Set(words)] }
    })
    .filter(({ words }) => words.length > 0)
}
