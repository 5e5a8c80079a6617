import { defineConfig } from '@playwright/test'
import { browserOptions } from './scripts/browser.mjs'

/** Each of several browsers has a house of its own: what its tests want to know is put in place here. */
const houses = JSON.parse(process.env.OAK_HOUSES ?? '[]') as Record<string, string>[]
Object.assign(process.env, houses[Number(process.env.TEST_PARALLEL_INDEX ?? 0)])

/** The server is run by ./test, which says where it is. Chromium is Debian's. */
export default defineConfig({
  timeout: 300_000,
  expect: { timeout: 60_000 },
  workers: 1,
  // A browser that this machine starves for a minute is not a defect of the page: one more try, and
  // whatever needed it is named at the end of its part.
  retries: 1,
  outputDir: '.data/e2e',
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  use: {
    baseURL: process.env.OAK_TEST_URL ?? 'http://127.0.0.1:4310',
    // A person and the house they work in live by one clock.
    timezoneId: process.env.OAK_DEMO_ZONE,
    viewport: { width: 1280, height: 800 },
    // Nothing glides: what is pressed is where it will be. A tenth less for the processor.
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: 60_000,
    // A page's requests are seen as they are; the test of the shell lets its worker in.
    serviceWorkers: 'block',
    trace: 'off',
    screenshot: 'only-on-failure',
    launchOptions: browserOptions,
  },
  projects: [
    { name: 'e2e', testDir: 'tests/e2e' },
    { name: 'pictures', testDir: 'tests/pictures' },
    { name: 'bench', testDir: 'bench' },
  ],
})
