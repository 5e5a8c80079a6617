import { chromium } from '@playwright/test'
import { browserOptions } from '/work/main/scripts/browser.mjs'
const base = process.env.OAK_TEST_URL
const b = await chromium.launch(browserOptions)
const ctx = await b.newContext({ viewport: { width: 1280, height: 800 }, timezoneId: process.env.OAK_DEMO_ZONE, serviceWorkers:'block' })
const p = await ctx.newPage()
await p.goto(base + '/sign-in')
const r = await p.request.post(base + '/api/session', { data: { email: 'ilse@oakbasin.example', password: 'lake-wind-and-oak' }, headers: { origin: base, 'sec-fetch-site': 'same-origin' } })
console.log(r.status())
for (const arg of process.argv.slice(2)) {
  let [path, name, click] = arg.split('|')
  if (path.startsWith('@')) { // client name -> visit
    const day = await (await p.request.get(base + '/api/day?day=2026-11-29')).json().catch(()=>null)
    const d = day ?? await (await p.request.get(base + '/api/day')).json()
    const v = d.visits.find(x => x.client.startsWith(path.slice(1).split('/')[0]))
    path = `/visits/${v.id}/` + path.split('/')[1]
  }
  await p.goto(base + path); await p.waitForTimeout(2500)
  if (click) { await p.getByRole('button', { name: click }).first().click(); await p.waitForTimeout(1500) }
  await p.screenshot({ path: `/tmp/look/${name}.png` }); console.log(name, p.url())
}
await b.close()
