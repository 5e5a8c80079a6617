import { z } from 'zod'
import { clientFields, passwordAgain } from './people'
import { id } from './common'

/** Rows at most in one file: more come in several. */
export const IMPORT_ROWS = 2000
/** Bytes at most of such a request. */
export const IMPORT_BYTES = 8_000_000

const row = z.strictObject({ id, ...clientFields })
export const importCheck = z.strictObject({
  rows: z
    .array(
      z.strictObject({
        name: z.string().max(200),
        born: z.string().max(40),
        phone: z.string().max(60),
      }),
    )
    .max(IMPORT_ROWS, `at most ${IMPORT_ROWS} rows`),
})
export const importPost = z.strictObject({
  id,
  rows: z.array(row).min(1, 'no rows').max(IMPORT_ROWS, `at most ${IMPORT_ROWS} rows`),
})
export type ImportRow = z.infer<typeof row>

/** Everybody as a file: a table with all that is known, or cards for an address book. */
export const clientsExport = passwordAgain.extend({ as: z.enum(['csv', 'vcards']).default('csv') })
export type ExportAs = z.infer<typeof clientsExport>['as']
