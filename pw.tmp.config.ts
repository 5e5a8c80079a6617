import base from './playwright.config'
export default { ...base, retries: 0, timeout: 120_000, expect: { timeout: 12_000 }, use: { ...base.use, actionTimeout: 12_000, navigationTimeout: 30_000 }, outputDir: '.data/e2e-tmp' }
