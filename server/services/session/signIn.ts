import { eq } from 'drizzle-orm'
import { useSession, type H3Event } from 'h3'
import type { z } from 'zod'
import type { signIn as wanted, unlock as unlocking } from '#contracts/people'
import { staff } from '#db/schema'
import { ProblemError } from '../../problem/problem'
import { inBranch } from '../branch'
import { branchesOfEmail } from '../branches'
import { database } from '../database'
import { thePractice } from '../practice'
import { askPassword } from './askPassword'
import { hashSecret, secretMatches } from './passwords'
import { writeAudit } from '../access'
import { hasFactor, takeCodeOrRecovery } from './secondFactor'
import { openSession, setLock, type Staff } from './session'
import { addressOf, countTry, forgetTries, takeBack, tryKey } from './throttle'

/** Tries at one account from one place, or from a device that has been let in before. */
const TRIES = 8
/** Tries at one account from anywhere unknown: a known device is not shut out by them. */
const TRIES_AT_ONE = 24
/** From one place more people sign in than one; many addresses tried from there are too many. */
const TRIES_FROM = 60
const CODE_TRIES = 5
const SECOND_MS = 1000
const KNOWN_MS = 90 * 24 * 3_600_000
/** Devices are shared: this many people are remembered on one. */
const KNOWN_MOST = 8

/** Whom this device has let in before. It opens nothing: it only tells owner from stranger. */
const known = (event: H3Event) =>
  useSession<{ staff?: string[] }>(event, {
    name: '__Host-oak-known',
    password: useRuntimeConfig().sessionPassword,
    maxAge: KNOWN_MS / SECOND_MS,
    cookie: { httpOnly: true, secure: true, sameSite: 'strict', path: '/' },
    sessionHeader: false,
  })

/**
 * Signs in with a fresh session. The same answer for an unknown address and a wrong password.
 * @throws ProblemError 401, 403, 429; 409 where the person has to say in which practice
 */
export async function signIn(
  event: H3Event,
  { email, password, code, branch }: z.infer<typeof wanted>,
): Promise<Account> {
  const mail = email.toLowerCase()
  const from = addressOf(event)
  const accounts = await accountsOf(mail, branch)
  const device = await known(event)
  const knows = ({ me }: Account) => (device.data.staff ?? []).includes(me.id)
  const own = accounts.some(knows)
  const [pair, ...wider] = triesOf(mail, from, own ? (device.id ?? '') : undefined)
  const tried = await countTry(pair, ...wider)
  const account = await whichOf(accounts, password).catch(async (error: unknown) => {
    // Whoever has to say where they are has shown who they are.
    if (error instanceof ProblemError && error.status === ASKS_WHERE) await takeBack(tried)
    throw error
  })
  const { me } = account
  await inBranch(account.branch, async () => {
    if (me.demo && !onLoopback())
      throw new ProblemError(403, 'Not allowed', 'Demo accounts work on this machine only.')
    await askFactor(me, code)
    await takeBack(tried)
    await forgetTries(pair.key)
    const others = (device.data.staff ?? []).filter((id) => id !== me.id)
    if (!knows(account)) await device.update({ staff: [me.id, ...others].slice(0, KNOWN_MOST) })
    await openSession(event, me.id)
    await writeAudit(me, 'session.in', true, null)
  })
  return account
}

/** Somebody's account in one practice. */
interface Account {
  branch: string
  me: Staff
}
/** Whoever works in several practices has an account in each: at most so many are looked at. */
const ACCOUNTS_LIMIT = 12

/** The accounts of an address, in the practice that is named or in all. */
async function accountsOf(mail: string, named: string | undefined): Promise<Account[]> {
  const all = await branchesOfEmail(mail)
  const wanted = all.filter((id) => named === undefined || id === named).slice(0, ACCOUNTS_LIMIT)
  const found = await Promise.all(
    wanted.map((branch) =>
      inBranch(branch, async () => {
        const [me] = await database().select().from(staff).where(eq(staff.email, mail))
        return me === undefined ? [] : [{ branch, me }]
      }),
    ),
  )
  return found.flat()
}

/**
 * The account that a password opens.
 * @throws ProblemError 401 where it opens none, 409 with the practices where it opens several
 */
async function whichOf(accounts: readonly Account[], password: string): Promise<Account> {
  const opens: Account[] = []
  for (const account of accounts)
    if (
      (await secretMatches(password, account.me.passwordHash || (await decoy()))) &&
      account.me.active
    )
      opens.push(account)
  if (accounts.length === 0) await secretMatches(password, await decoy())
  const [one, ...others] = opens
  if (one === undefined) {
    for (const { branch, me } of accounts)
      await inBranch(branch, () => writeAudit(me, 'session.in', false, null))
    throw new ProblemError(401, 'Sign in', 'E-mail or password is wrong.')
  }
  if (others.length > 0) throw await whichPractice(opens)
  return one
}

const ASKS_WHERE = 409
/** The password was right in several practices: the person says where they are today. */
async function whichPractice(accounts: readonly Account[]): Promise<ProblemError> {
  const names = await Promise.all(
    accounts.map(({ branch }) => inBranch(branch, async () => (await thePractice()).name)),
  )
  return new ProblemError(
    ASKS_WHERE,
    'Which practice',
    'You work in more than one practice. Choose where you are now.',
    accounts.map(({ branch }, at) => ({
      field: 'branch',
      given: branch,
      allowed: names[at] ?? '',
    })),
  )
}

interface Tries {
  key: string
  most: number
}
/**
 * What is counted of a try, the narrowest first: for whom and from where, and each by itself.
 * @param device that has let this person in before: it is not shut out by what others try from there
 */
function triesOf(mail: string, from: string, device: string | undefined): [Tries, ...Tries[]] {
  if (device !== undefined) return [{ key: tryKey('device', `${mail}\n${device}`), most: TRIES }]
  return [
    { key: tryKey('pair', `${mail}\n${from}`), most: TRIES },
    { key: tryKey('from', from), most: TRIES_FROM },
    { key: tryKey('mail', mail), most: TRIES_AT_ONE },
  ]
}

/** The second factor of somebody who has one. */
async function askFactor(found: Staff, code: string | undefined): Promise<void> {
  if (!hasFactor(found)) return
  if (!code) throw factorAsked()
  try {
    await takeCodeOrRecovery(found, code)
  } catch (error) {
    await writeAudit(found, 'session.in', false, null)
    throw error
  }
}

/** Both the address and the password were right: only the code is missing. */
const factorAsked = () =>
  new ProblemError(401, 'Second factor', 'Now the six digits of your second factor.', [
    { field: 'code', given: 'nothing', allowed: 'six digits' },
  ])

/** Opens a locked tablet: by quick code, or by password where there is none. */
export async function unlock(
  event: H3Event,
  me: Staff,
  given: z.infer<typeof unlocking>,
): Promise<void> {
  if ('password' in given) {
    await askPassword(me, given.password, 'The tablet stays locked.')
    await setLock(event, false)
    return
  }
  const key = tryKey('code', me.id)
  await countTry({ key, most: CODE_TRIES })
  if (!me.pinHash || !(await secretMatches(given.code, me.pinHash)))
    throw new ProblemError(401, 'Wrong code', 'The quick code is wrong.')
  await forgetTries(key)
  await setLock(event, false)
}

/** A new quick code needs the password once more. */
export async function setCode(me: Staff, code: string, password: string): Promise<void> {
  await askPassword(me, password, 'The quick code was not changed.')
  await database()
    .update(staff)
    .set({ pinHash: await hashSecret(code) })
    .where(eq(staff.id, me.id))
}

let decoyHash: Promise<string> | undefined
/** Compared against when the address is unknown, so that the answer takes as long. */
const decoy = () => (decoyHash ??= hashSecret('nobody has this password'))

function onLoopback(): boolean {
  try {
    return ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(useRuntimeConfig().origin).hostname)
  } catch {
    return false
  }
}
