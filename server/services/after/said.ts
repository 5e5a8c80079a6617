import { getTableColumns, sql } from 'drizzle-orm'
import { checkIns } from '#db/schema'

const { jpeg, ...own } = getTableColumns(checkIns)
/** A question with its answer, and whether a picture came along: its bytes are fetched by themselves. */
export const SAID = { ...own, picture: sql<boolean>`${jpeg} is not null` }
