import Papa from 'papaparse'
import { guessMapping } from './columns'

/** A file as it was read: its column names, every row under them, and the line each began in. */
export interface ReadFile {
  headers: string[]
  rows: string[][]
  lines: number[]
}
/** Lines of title that an office may put over the names of the columns. */
const TITLES_MOST = 10
/** A first line by which some spreadsheets say what parts their columns. */
const SAYS_SEPARATOR = /^"?sep=(.)"?\r?\n/i

const lineBreaks = (text: string) => text.split(/\r\n|\n|\r/).length - 1
function read(text: string, delimiter?: string): { cells: string[]; line: number }[] {
  const found: { cells: string[]; line: number }[] = []
  let line = 1
  let at = 0
  Papa.parse<string[]>(text, {
    ...(delimiter === undefined ? {} : { delimiter }),
    step: ({ data, meta }) => {
      if (data.some((cell) => cell.trim() !== '')) found.push({ cells: data, line })
      line += lineBreaks(text.slice(at, meta.cursor))
      at = meta.cursor
    },
  })
  return found
}

/**
 * A CSV file, by whatever sign it is parted; lines of title over the names of the columns are left.
 * @returns undefined where there is no row under the names
 */
export function readCsv(text: string): ReadFile | undefined {
  const whole = text.replace(/^\uFEFF/, '')
  const [said = '', separator] = SAYS_SEPARATOR.exec(whole) ?? []
  const all = read(whole.slice(said.length), separator)
  const named = all
    .slice(0, TITLES_MOST)
    .findIndex(({ cells }) => Object.keys(guessMapping(cells)).length > 1)
  const [names, ...rows] = all.slice(Math.max(0, named))
  if (!names || rows.length === 0) return undefined
  const before = lineBreaks(said)
  return {
    headers: names.cells.map((name) => name.trim()),
    rows: rows.map(({ cells }) => cells),
    lines: rows.map(({ line }) => line + before),
  }
}

/** What a spreadsheet would run as a formula. */
const RUNS = /^[=+\-@\t\r]/
/** A cell that a spreadsheet shows as it is: a tab before what it would run, read away again here. */
const still = (cell: unknown): unknown =>
  typeof cell === 'string' && RUNS.test(cell) ? `\t${cell}` : cell
export const writeCsv = (
  fields: readonly string[],
  rows: readonly (readonly unknown[])[],
): string =>
  Papa.unparse(
    { fields: [...fields], data: rows.map((row) => row.map(still)) },
    { newline: '\r\n' },
  )
