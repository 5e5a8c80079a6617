import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { ROOT } from '../scripts/say.mjs'

/**
 * Modules of the project in one file, as the page carries them: loading them one by one would be
 * measured instead of what they do.
 */
export async function bundled(paths) {
  const home = join(ROOT, '.data', 'bench-bundle')
  mkdirSync(home, { recursive: true })
  const entry = join(home, 'entry.ts')
  writeFileSync(entry, paths.map((path) => `export * from '${join(ROOT, path)}'`).join('\n'))
  const out = join(home, 'out.mjs')
  await build({
    entryPoints: [entry],
    outfile: out,
    bundle: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'error',
    external: ['highs'],
  })
  return import(`${pathToFileURL(out).href}?${Date.now()}`)
}
