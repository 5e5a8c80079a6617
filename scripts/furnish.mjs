import { createInterface } from 'node:readline/promises'
import { Writable } from 'node:stream'
import { say, Trouble } from './say.mjs'
import { load } from './setup.mjs'

const LEAST_PASSWORD = 12

/** Asks at the terminal. @throws Trouble where nobody is there to answer */
export async function ask(question) {
  if (!process.stdin.isTTY)
    throw new Trouble('Nobody is there to answer: use a terminal, or say OAK_RESET=yes.')
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  try {
    return (await terminal.question(question)).trim()
  } finally {
    terminal.close()
  }
}

/** Asks for a word that is not shown. @throws Trouble where nobody is there to answer */
export async function askHidden(question) {
  if (!process.stdin.isTTY)
    throw new Trouble('Nobody is there to answer: use a terminal, or say OAK_PASSPHRASE.')
  const silent = new Writable({ write: (_, __, done) => done() })
  const terminal = createInterface({ input: process.stdin, output: silent, terminal: true })
  process.stdout.write(question)
  try {
    return await terminal.question('')
  } finally {
    terminal.close()
    process.stdout.write('\n')
  }
}

/** The owner as named by the environment, for a house that is begun by nobody's hand. */
function ownerFromEnvironment() {
  const { OAK_OWNER_NAME, OAK_OWNER_EMAIL, OAK_OWNER_PASSWORD } = process.env
  if (!OAK_OWNER_NAME && !OAK_OWNER_EMAIL && !OAK_OWNER_PASSWORD) return undefined
  const owner = {
    name: OAK_OWNER_NAME ?? '',
    email: OAK_OWNER_EMAIL ?? '',
    password: OAK_OWNER_PASSWORD ?? '',
  }
  if (owner.name.length < 1 || !owner.email.includes('@') || owner.password.length < LEAST_PASSWORD)
    throw new Trouble(
      'OAK_OWNER_NAME, OAK_OWNER_EMAIL and OAK_OWNER_PASSWORD belong together: a name, an e-mail ' +
        `address and a password of at least ${LEAST_PASSWORD} characters.`,
    )
  return owner
}

/**
 * Puts into the data folder what belongs there, by what it already holds: an empty folder becomes
 * the demo, or an empty house where that was asked for; the demo is brought up to today; somebody's
 * own house is left as it is. One never becomes the other.
 * @param url the owner's connection
 * @param wantsEmpty whether `--empty` was said
 * @returns the demo's sign-ins, none for a house of one's own; and whether its first hour waits
 * @throws Trouble when `--empty` meets a folder that holds the demo
 */
export async function furnish(url, wantsEmpty) {
  const { contentsOf } = await load('db/contents.ts')
  const contents = await contentsOf(url)
  if (contents === 'demo' && wantsEmpty)
    throw new Trouble(
      'This folder holds the demo, and its printed passwords. It does not become a real house.\n' +
        'To wipe it and begin an empty one: ./start --reset --empty\n' +
        'To keep it, put the empty house into another folder: OAK_DATA=ours ./start --empty',
    )
  if (contents === 'own') {
    say('· This folder holds a house of your own; no demo data is loaded')
    return { accounts: [], waits: false }
  }
  if (wantsEmpty || contents === 'begun') {
    const { claimEmpty, seedEmpty } = await load('db/emptyHouse.ts')
    const owner = ownerFromEnvironment()
    if (owner) await seedEmpty(url, owner)
    else await claimEmpty(url)
    return { accounts: [], waits: !owner }
  }
  const { seedDemo } = await load('db/demo/seed.ts')
  return { accounts: await seedDemo(url, Date.now()), waits: false }
}
