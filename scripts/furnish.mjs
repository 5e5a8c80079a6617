import { createInterface } from 'node:readline/promises'
import { say, Trouble } from './say.mjs'
import { load } from './setup.mjs'

const LEAST_PASSWORD = 12

/** Asks at the terminal. @throws Trouble where nobody is there to answer */
export async function ask(question, hidden = false) {
  if (!process.stdin.isTTY)
    throw new Trouble(
      'Nobody is there to answer. Set OAK_OWNER_NAME, OAK_OWNER_EMAIL and OAK_OWNER_PASSWORD, ' +
        'or use a terminal.',
    )
  const terminal = createInterface({ input: process.stdin, output: process.stdout })
  if (hidden)
    terminal._writeToOutput = (text) => {
      if (text.includes(question)) process.stdout.write(question)
    }
  try {
    return (await terminal.question(question)).trim()
  } finally {
    terminal.close()
    if (hidden) process.stdout.write('\n')
  }
}

async function askForOwner() {
  const { OAK_OWNER_NAME, OAK_OWNER_EMAIL, OAK_OWNER_PASSWORD } = process.env
  const owner = {
    name: OAK_OWNER_NAME ?? (await ask("Owner's name: ")),
    email: OAK_OWNER_EMAIL ?? (await ask('E-mail: ')),
    password:
      OAK_OWNER_PASSWORD ?? (await ask(`Password (${LEAST_PASSWORD} characters or more): `, true)),
  }
  if (owner.name.length < 1 || !owner.email.includes('@') || owner.password.length < LEAST_PASSWORD)
    throw new Trouble(
      `A name, an e-mail address and a password of at least ${LEAST_PASSWORD} characters are needed.`,
    )
  return owner
}

/**
 * Puts into the data folder what belongs there, by what it already holds: an empty folder becomes
 * the demo, or an empty house where that was asked for; the demo is brought up to today; somebody's
 * own house is left as it is. One never becomes the other.
 * @param url the owner's connection
 * @param wantsEmpty whether `--empty` was said
 * @returns the demo's sign-ins; none for a house of one's own
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
    return []
  }
  if (wantsEmpty) {
    const { seedEmpty } = await load('db/emptyHouse.ts')
    await seedEmpty(url, await askForOwner())
    return []
  }
  const { seedDemo } = await load('db/demo/seed.ts')
  return seedDemo(url, Date.now())
}
