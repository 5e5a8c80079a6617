import { randomUUID } from 'node:crypto'
import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'vite'

/** What the pages are made of; pictures for the desk alone are left out. */
const KEPT = /\.(js|css|woff2|svg|webmanifest)$/

function* files(folder) {
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* files(path)
    else yield path
  }
}

/**
 * Writes `worker.js` beside the built pages: it knows every file they are made of.
 * @param {{ source: string, publicFolder: string }} folders
 */
export async function buildShellWorker({ source, publicFolder }) {
  const once = randomUUID()
  const shell = [...files(publicFolder)]
    .map((path) => path.slice(publicFolder.length).replaceAll('\\', '/'))
    .filter((url) => KEPT.test(url) && url !== '/worker.js')
    // What carries its own hash in its name never changes under it.
    .map((url) => ({ url, revision: url.startsWith('/_nuxt/') ? null : once }))
  await build({
    configFile: false,
    logLevel: 'warn',
    define: {
      SHELL_FILES: JSON.stringify([...shell, { url: '/shell', revision: once }]),
      'process.env.NODE_ENV': '"production"',
    },
    build: {
      outDir: publicFolder,
      emptyOutDir: false,
      copyPublicDir: false,
      lib: { entry: source, formats: ['iife'], name: 'shell', fileName: () => 'worker.js' },
    },
  })
}
