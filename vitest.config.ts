import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const alias = { '#core': at('./core'), '#contracts': at('./contracts'), '#db': at('./db') }
const project = (name: string, include: string[], more: object = {}) => ({
  resolve: { alias },
  test: {
    name,
    include,
    environment: 'node' as const,
    passWithNoTests: false,
    setupFiles: [at('./tests/support/seed.ts')],
    ...more,
  },
})

/**
 * What has nothing to leave behind shares one set of loaded modules among its files. Its processes live
 * for minutes: what runs a little more often before the engine optimises it costs a tenth less.
 */
const pure = { isolate: false, execArgv: ['--interrupt-budget=600000'] }

/** The laws over thousands of random people take their time. */
const LAW_MS = process.env.OAK_FULL ? 3_600_000 : 120_000

export default defineConfig({
  test: {
    passWithNoTests: false,
    projects: [
      project('core', ['core/**/*.test.ts', 'contracts/**/*.test.ts'], {
        ...pure,
        testTimeout: LAW_MS,
      }),
      project('reference', ['tests/reference/**/*.test.ts'], { ...pure, testTimeout: LAW_MS }),
      project('solver', ['tests/solver/**/*.test.ts'], { ...pure, testTimeout: 3_600_000 }),
      project('api', ['tests/api/**/*.test.ts'], {
        ...pure,
        setupFiles: [at('./tests/support/seed.ts'), at('./tests/support/eachFile.ts')],
        fileParallelism: false,
        testTimeout: 60_000,
        hookTimeout: 120_000,
      }),
      project('faults', ['tests/faults/**/*.test.ts'], {
        fileParallelism: false,
        testTimeout: 120_000,
        hookTimeout: 120_000,
      }),
    ],
  },
})
