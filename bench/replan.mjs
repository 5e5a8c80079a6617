import { createServer } from 'node:http'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { build } from 'esbuild'
import { ROOT } from '../scripts/say.mjs'
import { browserOptions } from '../scripts/browser.mjs'
import { FRAME_MS, ms, quantile, times } from './numbers.mjs'

const CASES = 40
const ROUNDS = 9

/** The bench's page and the planner's worker, built as the application builds them. */
async function builtFiles() {
  const page = '<!doctype html><title>replan</title><script type="module" src="/page.js"></script>'
  const files = new Map([['/', ['text/html', page]]])
  for (const [path, entry] of [
    ['/page.js', 'bench/replan-page.ts'],
    ['/worker.js', 'app/workers/plan.worker.ts'],
  ]) {
    const { outputFiles } = await build({
      entryPoints: [join(ROOT, entry)],
      bundle: true,
      minify: true,
      format: 'esm',
      platform: 'browser',
      write: false,
      logLevel: 'error',
    })
    files.set(path, ['text/javascript', outputFiles[0].text])
  }
  return files
}

async function serve(files) {
  const server = createServer((req, res) => {
    const file = files.get(req.url)
    res.writeHead(file ? 200 : 404, { 'content-type': file?.[0] ?? 'text/plain' })
    res.end(file?.[1] ?? '')
  })
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve))
  return server
}

/**
 * Plans in the browser, in the planner's own worker, from asking to having the answer: the first of
 * a client, after an edit never seen before, and the same again.
 */
export default async function replan() {
  const server = await serve(await builtFiles())
  const browser = await chromium.launch(browserOptions)
  try {
    const page = await browser.newPage()
    await page.goto(`http://127.0.0.1:${server.address().port}/`)
    await page.waitForFunction(() => 'replans' in globalThis)
    // A page that has planned for others before: its code is warm, these clients are new to it.
    await page.evaluate(() => globalThis.replans(1001, 1020, 1))
    const seeds = await page.evaluate(
      ([key, value]) => globalThis.replans(1, key, value),
      [CASES, ROUNDS],
    )
    const demo = await page.evaluate((rounds) => globalThis.demo(rounds), ROUNDS)
    const seen = [...seeds, ...demo]
    const unrest = await page.evaluate(() => globalThis.unrest(300))
    return linesOf(seen, unrest)
  } finally {
    await browser.close()
    server.close()
  }
}

const line = (what, list) =>
  `${what}: median ${ms(quantile(list, 0.5))}, p95 ${ms(quantile(list, 0.95))} = ` +
  `${times(quantile(list, 0.95) / FRAME_MS)} of one frame`

function linesOf(seen, unrest) {
  const edits = seen.flatMap((one) => one.edits)
  const kinds = [...new Set(edits.map((edit) => edit.what))]
  const middle = (list) => list.map((edit) => quantile(edit.again, 0.5))
  const ofKind = (kind) => middle(edits.filter((edit) => edit.what === kind))
  const first = seen.map((one) => one.first)
  const once = edits.map((edit) => edit.ms)
  return [
    `${CASES} realistic cases and ${seen.length - CASES} clients of the demo, ${edits.length} edits, ` +
      "in Chromium, in the planner's worker, " +
      'asked and answered',
    line('first plan of a client', first),
    line('re-plan of the same question', middle(seen)),
    line('re-plan after an edit, asked for the first time, once each', once),
    line('re-plan after an edit, the middle of nine', middle(edits)),
    ...kinds.map((kind) => `  ${line(kind, ofKind(kind))}`),
    `the machine's own unrest in this run: the same small work has a p95 of ` +
      `${times(quantile(unrest, 0.95) / quantile(unrest, 0.5))} its median`,
  ]
}
