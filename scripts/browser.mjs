/** How Debian's Chromium is started for tests and measurements: headless, quiet, as root. */
export const browserOptions = {
  executablePath: process.env.OAK_CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
  ],
}
