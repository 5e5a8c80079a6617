import { existsSync } from 'node:fs'
import { debian, say } from './say.mjs'

/**
 * Debian's Chromium without a window, where it is installed: the same engine, without the strip of
 * tabs that the whole browser draws for each page. The whole browser does as well.
 */
const SHELL = { path: '/usr/bin/chromium-headless-shell', package: 'chromium-headless-shell' }
const WHOLE = { path: '/usr/bin/chromium', package: 'chromium' }
const there = () => [SHELL, WHOLE].find(({ path }) => existsSync(path))

/** How Chromium is started for tests and measurements: headless, quiet, as root. */
export const browserOptions = {
  executablePath: process.env.OAK_CHROMIUM ?? there()?.path ?? WHOLE.path,
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

/** Sees to a browser: the lighter one, or whichever there is where that cannot be had. */
export async function ensureBrowser() {
  if (process.env.OAK_CHROMIUM ?? existsSync(SHELL.path)) return
  try {
    await debian([SHELL.package], 'Chromium')
  } catch (error) {
    if (!there()) throw error
    say(`${SHELL.package} is not to be had: the whole browser is used.`)
  }
}
