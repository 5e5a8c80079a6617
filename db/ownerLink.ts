import { createHash, randomBytes, randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { BRANCH_SETTING, EVERY_BRANCH } from './branches'

const BYTES = 32
const LIFE_MS = 7 * 24 * 3_600_000

interface Made {
  name: string
  email: string
  token: string
  hasFactor: boolean
}

/**
 * A password link for an owner, made at the terminal by the tables' owner: kept as a hash, with a
 * line in the audit.
 * @returns what it is, or in words why there is none
 */
export async function makeOwnerLink(
  url: string,
  { email, noFactor, branch }: { email?: string; noFactor: boolean; branch?: string },
): Promise<Made | string> {
  const connection = { [BRANCH_SETTING]: EVERY_BRANCH }
  const sql = postgres(url, { max: 1, onnotice: () => {}, connection })
  try {
    const owners = await sql<
      { id: string; branch: string; name: string; email: string; totp: boolean }[]
    >`
      select id, branch_id as branch, name, email, totp_secret is not null and totp_step >= 0 as totp from staff
      where role = 'owner' and active order by email`
    const found = owners.filter(
      (owner) =>
        (email === undefined || owner.email === email.toLowerCase()) &&
        (branch === undefined || owner.branch === branch),
    )
    const [owner] = found
    if (!owner) return 'No owner of this house has that address.'
    const where = new Set(owners.map((one) => one.branch)).size > 1 ? ' --practice NAME' : ''
    if (found.length > 1)
      return `Which owner? ${owners.map((one) => one.email).join(', ')}: ./house owner-link EMAIL${where}`
    const token = randomBytes(BYTES).toString('base64url')
    const tokenHash = createHash('sha256').update(`staff-link\n${token}`).digest('hex')
    await sql.begin(async (tx) => {
      await tx`select set_config(${BRANCH_SETTING}, ${owner.branch}, true)`
      await tx`update staff_links set expires_at = now() where staff_id = ${owner.id} and used_at is null`
      await tx`insert into staff_links (id, staff_id, token_hash, expires_at, by)
        values (${randomUUID()}, ${owner.id}, ${tokenHash}, ${new Date(Date.now() + LIFE_MS)}, ${owner.id})`
      if (noFactor)
        await tx`update staff set totp_secret = null, totp_step = 0, recovery_hashes = '[]' where id = ${owner.id}`
      await tx`insert into audit (staff_id, action, allowed) values (${owner.id}, 'staff.owner-link', true)`
    })
    return { name: owner.name, email: owner.email, token, hasFactor: owner.totp && !noFactor }
  } finally {
    await sql.end()
  }
}
