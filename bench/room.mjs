import { join } from 'node:path'
import { openHouse } from '../scripts/house.mjs'
import { ROOT, run } from '../scripts/say.mjs'

/** Sixty minutes of the room in a browser of its own: what `room.spec.ts` measures, line by line. */
export default async function room() {
  const house = await openHouse('bench-room', { firstPort: 24780, wanted: 4495 })
  try {
    const env = {
      ...process.env,
      OAK_TEST_URL: house.address,
      OAK_TEST_OWNER_DB: house.cluster.url('owner'),
      OAK_TEST_APP_DB: house.cluster.url('app'),
      OAK_TEST_SECRETS: house.cluster.secretsFile,
    }
    const playwright = join(ROOT, 'node_modules/@playwright/test/cli.js')
    const args = [playwright, 'test', '--project', 'bench', '--reporter', 'list']
    const { output } = await run(process.execPath, args, { env })
    return output
      .split('\n')
      .filter((line) => line.startsWith('≈ '))
      .map((line) => line.slice(2))
  } finally {
    await house.close()
  }
}
