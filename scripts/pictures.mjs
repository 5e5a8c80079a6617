/**
 * Takes the pictures of docs/screenshots anew, from a fresh demo of its own: what a test or a
 * hand has made elsewhere is never in them.
 */
import { join } from 'node:path'
import { openHouse } from './house.mjs'
import { ROOT, run, say } from './say.mjs'
import { ensureBuild, ensurePackages } from './setup.mjs'

// The pictures show the house where it stands.
process.env.OAK_DEMO_ZONE = 'Europe/Helsinki'
process.env.OAK_DEMO_PIECES = '0'
await ensurePackages()
await ensureBuild()
const house = await openHouse('pictures', { firstPort: 24710, wanted: 4490 })
try {
  const env = {
    ...process.env,
    OAK_TEST_URL: house.address,
    OAK_TEST_OWNER_DB: house.cluster.url('owner'),
    OAK_TEST_APP_DB: house.cluster.url('app'),
    OAK_TEST_SECRETS: house.cluster.secretsFile,
  }
  const playwright = join(ROOT, 'node_modules/@playwright/test/cli.js')
  const args = [playwright, 'test', '--project', 'pictures', ...process.argv.slice(2)]
  const { code, output } = await run(process.execPath, args, { env })
  say(output)
  process.exitCode = code === 0 ? 0 : 1
} finally {
  await house.close()
}
