import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { LONG_WORK, ROOT, step, Trouble } from './say.mjs'

const hashOf = (text) => createHash('sha256').update(text).digest('hex')

export async function ensurePackages() {
  if (Number(process.versions.node.split('.')[0]) < 20)
    throw new Trouble(`Node.js 20.19 or newer is needed; this is ${process.versions.node}.`)
  const mark = join(ROOT, 'node_modules', '.lock-hash')
  const now = hashOf(readFileSync(join(ROOT, 'package-lock.json')))
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return
  await step('Installing npm packages from the lock file', 'npm', ['ci', '--no-audit', '--no-fund'])
  writeFileSync(mark, now)
}

const SOURCES = [
  'app',
  'core',
  'contracts',
  'server',
  'db',
  'public',
  'docs/formats/openapi.json',
  'nuxt.config.ts',
  'scripts/shellWorker.mjs',
  'package-lock.json',
]
function* files(path) {
  if (!existsSync(path)) return
  if (!statSync(path).isDirectory()) {
    yield path
    return
  }
  for (const name of readdirSync(path).sort()) yield* files(join(path, name))
}

/** Builds when any source differs from what the last build was made of. */
export async function ensureBuild() {
  const hash = createHash('sha256')
  for (const source of SOURCES)
    for (const file of files(join(ROOT, source)))
      if (!file.endsWith('.test.ts'))
        hash.update(file.slice(ROOT.length)).update(readFileSync(file))
  const now = hash.digest('hex')
  const mark = join(ROOT, '.output', '.source-hash')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return
  await step(
    'Building the application',
    process.execPath,
    ['node_modules/nuxt/bin/nuxt.mjs', 'build'],
    {
      env: {
        ...process.env,
        NUXT_TELEMETRY_DISABLED: '1',
        NODE_OPTIONS: LONG_WORK,
      },
    },
  )
  writeFileSync(mark, now)
}

/** Brings the tables up to date as the owner role. Runs after the npm packages are there. */
export async function migrate(ownerUrl) {
  const { default: postgres } = await import('postgres')
  const { drizzle } = await import('drizzle-orm/postgres-js')
  const { migrate: run } = await import('drizzle-orm/postgres-js/migrator')
  // Whatever changes rows changes those of every practice.
  const connection = { 'oak.branch': 'all' }
  const client = postgres(ownerUrl, { max: 1, onnotice: () => {}, connection })
  try {
    await run(drizzle(client), { migrationsFolder: join(ROOT, 'db', 'migrations') })
  } finally {
    await client.end()
  }
}

/** Whether these tables hold something and are older than this version. */
export async function waitsForUpdate(ownerUrl) {
  const { default: postgres } = await import('postgres')
  const journal = JSON.parse(
    readFileSync(join(ROOT, 'db', 'migrations', 'meta', '_journal.json'), 'utf8'),
  )
  const client = postgres(ownerUrl, { max: 1, onnotice: () => {} })
  try {
    const [there] = await client`select to_regclass('drizzle.__drizzle_migrations') as name`
    if (!there?.name) return false
    const [done] = await client`select count(*)::int as steps from drizzle.__drizzle_migrations`
    return done.steps > 0 && done.steps < journal.entries.length
  } finally {
    await client.end()
  }
}

/** Loads a TypeScript module of the project with its aliases. */
export async function load(path) {
  const { createJiti } = await import('jiti')
  const jiti = createJiti(import.meta.url, {
    alias: {
      '#core': join(ROOT, 'core'),
      '#contracts': join(ROOT, 'contracts'),
      '#db': join(ROOT, 'db'),
    },
    fsCache: join(ROOT, 'node_modules', '.cache', 'jiti'),
  })
  return jiti.import(join(ROOT, path))
}
