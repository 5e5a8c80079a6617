import { asc, sql } from 'drizzle-orm'
import { branches } from '#db/schema'
import { branchHere, FIRST_BRANCH, inBranch } from './branch'
import { database, sqlClient } from './database'

export interface Branch {
  id: string
  /** As it was called when it was added. */
  name: string
}

let known: Promise<Branch[]> | undefined
let hearing: Promise<unknown> | undefined
const forget = () => {
  known = undefined
}

/** Hears from now on when a practice is added; whatever was missed meanwhile is looked up anew. */
function hear(): void {
  hearing ??= sqlClient()
    .listen('branches', forget, forget)
    .catch(() => {
      hearing = undefined
    })
}

/** The practices that share this database, the first one first. */
export function knownBranches(): Promise<Branch[]> {
  hear()
  known ??= read().catch((error: unknown) => {
    forget()
    throw error
  })
  return known
}
const read = () =>
  database()
    .select({ id: branches.id, name: branches.name })
    .from(branches)
    .orderBy(asc(branches.openedAt), asc(branches.id))

/** Whether there is more than one: whoever is alone is asked nothing more. */
export const severalBranches = async (): Promise<boolean> => (await knownBranches()).length > 1

/** The others, seen from the one that works. */
export const otherBranches = async (): Promise<Branch[]> =>
  (await knownBranches()).filter(({ id }) => id !== branchHere())

/** Which practices know somebody of that address, the first one first. */
export async function branchesOfEmail(email: string): Promise<string[]> {
  if (!(await severalBranches())) return [FIRST_BRANCH]
  const rows = await database().execute<{ id: string }>(
    sql`select branches_of_email(${email}) as id`,
  )
  return rows.map(({ id }) => id)
}

/** Works for the practice that a link is of. @param hash of its token, as it is kept */
export async function inBranchOfLink<Result>(
  hash: string,
  work: () => Promise<Result>,
): Promise<Result> {
  if (!(await severalBranches())) return work()
  const [row] = await database().execute<{ id: string | null }>(
    sql`select branch_of_link(${hash}) as id`,
  )
  return inBranch(row?.id ?? branchHere(), work)
}

/** Works once for each practice, one after the other. */
export async function inEachBranch(work: () => Promise<void>): Promise<void> {
  for (const { id } of await knownBranches()) await inBranch(id, work)
}
