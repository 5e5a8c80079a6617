/**
 * A throw-away house that stays up for working on tests: prints what the tests want to know, ends
 * with Ctrl-C. Told a name, it is a house of that name.
 */
import { openHouse } from './house.mjs'
import { say } from './say.mjs'

process.env.OAK_PARSE_REPLIES = 'yes'
const house = await openHouse(process.argv[2] ?? 'bench-of-tests', {
  firstPort: 24710,
  wanted: 4395,
})
say(
  `export OAK_TEST_URL=${house.address} ` +
    `OAK_TEST_OWNER_DB=${house.cluster.url('owner')} ` +
    `OAK_TEST_APP_DB=${house.cluster.url('app')} ` +
    `OAK_TEST_SECRETS=${house.cluster.secretsFile} ` +
    `OAK_DEMO_ZONE=${process.env.OAK_DEMO_ZONE}`,
)
process.on('SIGINT', () => void house.close().then(() => process.exit(0)))
process.on('SIGTERM', () => void house.close().then(() => process.exit(0)))
