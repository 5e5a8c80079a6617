import { careRows } from './careRows'
import type { Row } from './row'
import { shelfRows } from './shelfRows'
import { skinRows } from './skinRows'
import { workRows } from './workRows'

export type { Row } from './row'

/**
 * Every row, by group, in the order it is worked with: the Method page and the generated page of
 * the documents show the same.
 */
export const allRows = (): Row[] => [...workRows(), ...shelfRows(), ...skinRows(), ...careRows()]

/** The same rows as one page of the documents. */
export function rowsPage(): string {
  const rows = allRows()
  const cell = (text: string) => text.replaceAll('|', '\\|')
  const line = (row: Row) =>
    `| \`${row.id}\` | ${[row.title, row.sentence, row.reason, row.source].map(cell).join(' | ')} |`
  const groups = [...new Set(rows.map((row) => row.group))].map((group) => {
    const own = rows.filter((row) => row.group === group)
    const head = ['| id | what | says | why | source |', '|---|---|---|---|---|']
    return `${[`## ${group} (${own.length})`, '', ...head, ...own.map(line)].join('\n')}\n`
  })
  return (
    '# Every row the product computes with\n\n' +
    'Written by `npm run formats` from `core/`; do not edit. ' +
    `${rows.length} rows.\n\n${groups.join('\n')}`
  )
}
