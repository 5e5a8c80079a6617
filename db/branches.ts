import { createHash, randomBytes, randomUUID } from 'node:crypto'
import postgres from 'postgres'

/** What a connection says of itself to see the rows of one practice, or of all. */
export const BRANCH_SETTING = 'oak.branch'
export const EVERY_BRANCH = 'all'
const KEY_BYTES = 24

export interface BranchLine {
  id: string
  name: string
  /** What it has been called since its first hour; null before that. */
  practice: string | null
}

/** Works on the rows of all practices as the role that owns the tables. */
async function withAll<Result>(
  url: string,
  work: (sql: postgres.Sql) => Promise<Result>,
): Promise<Result> {
  const connection = { [BRANCH_SETTING]: EVERY_BRANCH }
  const sql = postgres(url, { max: 1, onnotice: () => {}, connection })
  try {
    return await work(sql)
  } finally {
    await sql.end()
  }
}

/** The practices that share a database, the first one first. */
export const listBranches = (url: string): Promise<BranchLine[]> =>
  withAll(
    url,
    (sql) => sql<BranchLine[]>`select b.id, b.name, p.name as practice from branches b
      left join practice p on p.branch_id = b.id order by b.opened_at, b.id`,
  )

/** A practice by the name it was added under or is called by; undefined where there is none. */
export async function findBranch(url: string, name: string): Promise<BranchLine | undefined> {
  const wanted = name.trim().toLowerCase()
  const all = await listBranches(url)
  return all.find((own) =>
    [own.name, own.practice, own.id].some((one) => one?.toLowerCase() === wanted),
  )
}

/**
 * Adds a practice with its own rooms, shelf and staff; empty until its first hour.
 * @returns the key of its first hour, shown once, or in words why there is none
 */
export async function addBranch(url: string, name: string): Promise<{ key: string } | string> {
  const own = name.trim()
  if (own === '' || own.length > NAME_LETTERS) return `A name has 1 to ${NAME_LETTERS} letters.`
  if (await findBranch(url, own)) return `There is a practice of that name: ${own}.`
  const key = randomBytes(KEY_BYTES).toString('base64url')
  const keyHash = createHash('sha256').update(`first-hour\n${key}`).digest('hex')
  await withAll(url, (sql) => sql`select add_branch(${randomUUID()}::uuid, ${own}, ${keyHash})`)
  return { key }
}
const NAME_LETTERS = 120
