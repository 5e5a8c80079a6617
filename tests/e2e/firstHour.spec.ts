import type { Page } from '@playwright/test'
import { expect, test } from '../support/browserTest'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Cluster } from '../../scripts/cluster.mjs'
import { ensurePostgres } from '../../scripts/postgres.mjs'
import { openHouse } from '../../scripts/house.mjs'
import { ROOT } from '../../scripts/say.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { open } from '../support/house'
import { choose, goTo, nextStep, planAsProposed, sealIt, signTyped } from '../support/walk'

/** A house that nobody has furnished: what a newcomer sees, by visible labels alone. */
const OWNER = { email: 'maren@house.example', password: 'a house of my own' }
const COLLEAGUE = { email: 'jory@house.example', password: 'four words are good' }
const CLIENT = 'Edda First'
let house: Awaited<ReturnType<typeof openHouse>> & { address?: string }
test.beforeAll(async () => {
  house = await openHouse('first-hour', { empty: true, firstPort: 24910, wanted: 4695 })
})
test.afterAll(() => house.close())
const folder = mkdtempSync(join(tmpdir(), 'oak-first-hour-'))
const PASSPHRASE = 'four words are good'
const BACK = 'first-hour-back'
/** The tool at the terminal, as the house's own people would use it. */
function tool(data: string, args: string[]) {
  const env = { ...process.env, OAK_DATA: data, OAK_PASSPHRASE: PASSPHRASE }
  const run = spawnSync('./house', args, { cwd: ROOT, encoding: 'utf8', env })
  expect(run.status, run.stdout + run.stderr).toBe(0)
}
async function keepIn(where: string) {
  tool('first-hour', ['backup', where])
  return readdirSync(where).find((name) => name.endsWith('.oakbackup'))
}
async function bringBack(file: string) {
  const cluster = new Cluster(await ensurePostgres(), BACK, { firstPort: 24930 })
  cluster.remove()
  tool(BACK, ['restore', file])
  await cluster.up()
  const run = await runServer(cluster, { wanted: 4698, quiet: true })
  await whenReady(run.port, run.child)
  const end = async () => {
    await endChild(run.child)
    cluster.remove()
    rmSync(folder, { recursive: true, force: true })
  }
  return { address: run.address, end }
}
const say = (what: string) => console.log(`≈ ${what}`)
const at = (path: string) => `${house.address ?? ''}${path}`

async function chooses(page: Page, password: string, button: string) {
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByLabel('Password once more').fill(password)
  await page.getByRole('button', { name: button }).click()
}

test('an empty house by its interface alone: first hour, shelf, a colleague, a client, a sealed visit', async ({
  page,
  browser,
}) => {
  test.slow()
  // A stranger at the door learns nothing and opens nothing.
  await open(page, at('/'))
  await expect(page.getByText('This practice is not set up yet')).toBeVisible()
  await open(page, at('/first-hour'))
  await expect(page.getByText('it carries the key')).toBeVisible()
  await page.goto(at(`/first-hour#${'x'.repeat(32)}`))
  await page.getByLabel('Name of the practice').fill('Taken')
  await page.getByLabel('Your name').fill('A Stranger')
  await page.getByLabel('E-mail, to sign in with').fill('stranger@house.example')
  await chooses(page, 'let me in please', 'Create the practice')
  await expect(page.getByText('This page opens by the link')).toBeVisible()

  // The owner begins, with the printed link, opened in the same tab over the wrong one.
  await page.goto(at(`/first-hour#${house.setupKey ?? ''}`))
  await expect(page.getByText('This page opens by the link')).toHaveCount(0)
  await page.getByLabel('Name of the practice').fill('Holt Rooms')
  await page.getByLabel('Your name').fill('Maren Holt')
  await page.getByLabel('E-mail, to sign in with').fill(OWNER.email)
  // Nothing is held unasked.
  await choose(page, 'You are trained and licensed for', 'cleansing, masks, massage')
  await page.keyboard.press('Escape')
  await chooses(page, OWNER.password, 'Create the practice')
  await expect(page.getByRole('heading', { name: 'Set up the practice' })).toBeVisible()
  say('the house is begun')
  await page.getByRole('button', { name: 'Add the starter shelf' }).click()
  await expect(page.getByText(/\d+ products on the shelf/)).toBeVisible()
  await page.getByLabel('Another room').fill('Garden room')
  await page.getByRole('button', { name: 'Add the room' }).click()
  // What is typed while the page fetches itself anew stays.
  await page.getByLabel('Address').fill('Weir Lane 4')
  await expect(page.getByText('Garden room').first()).toBeVisible()
  await page.getByRole('button', { name: 'Add a device' }).click()
  await page.getByRole('button', { name: 'Save device' }).click()
  await expect(page.getByText('steamer').first()).toBeVisible()
  await expect(page.getByLabel('Address')).toHaveValue('Weir Lane 4')
  await page.getByLabel('Phone').fill('+000 555 0100')
  await page.getByRole('button', { name: 'Save practice' }).click()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  say('starter shelf, a room, a device, the address')

  // A colleague comes in by a link that opens once.
  await page.getByRole('button', { name: 'Add a colleague' }).click()
  await page.getByLabel('Name', { exact: true }).last().fill('Jory Pell')
  await page.getByLabel('E-mail', { exact: true }).fill(COLLEAGUE.email)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  const link = await page.locator('code').innerText()
  const other = await (await browser.newContext()).newPage()
  await open(other, link)
  await expect(other.getByText('Jory Pell')).toBeVisible()
  await chooses(other, COLLEAGUE.password, 'Save and sign in')
  await expect(other.getByRole('link', { name: 'People' })).toBeVisible()
  await expect(other.getByRole('link', { name: 'Practice' })).toHaveCount(0)
  await open(other, link)
  await expect(other.getByText('no longer works')).toBeVisible()
  say('a colleague by link, once')

  // The first client, booked, asked, read and planned with nothing but what is here.
  await open(page, at('/people'))
  await page.getByRole('link', { name: 'Import', exact: true }).click()
  await page.getByLabel('Choose a file').setInputFiles({
    name: 'clients.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `Name;Date of birth;Phone\r\n${CLIENT};3.2.1988;+000 555\r\n;1.1.1990;\r\n`,
    ),
  })
  await expect(page.getByText('1 cannot be imported.')).toBeVisible()
  await page.getByRole('button', { name: 'Import 1 client' }).click()
  await expect(page.getByText('1 client imported.')).toBeVisible()
  say('a client from a file')
  await open(page, at('/'))
  await page.getByRole('button', { name: 'Add a visit' }).click()
  await page.getByRole('combobox', { name: 'Client' }).fill('Edda')
  await page.getByRole('option', { name: CLIENT }).click()
  await page.getByRole('button', { name: 'Add the visit' }).click()
  await page.getByRole('article').filter({ hasText: CLIENT }).getByRole('link').click()
  await goTo(page, 'Ask')
  const rest = page.getByRole('button', { name: 'No to the rest' })
  await expect(rest.first()).toBeVisible()
  for (let left = await rest.count(); left > 0; left = await rest.count()) {
    await rest.first().click()
    await expect(rest).toHaveCount(left - 1)
  }
  await signTyped(page, CLIENT)
  await page.getByRole('button', { name: 'Save answers, read the skin' }).click()
  await page.waitForURL(/\/read$/)
  for (const what of ['Oil', 'Water', 'Redness', 'Congestion', 'Sensitivity']) {
    await page.getByRole('radio', { name: new RegExp(`^${what}`) }).focus()
    await page.keyboard.press('Space')
    await page.keyboard.press('1')
    await page.getByRole('button', { name: /on every open zone/ }).click()
  }
  await expect(page.getByText('every zone read')).toBeVisible()
  await page.getByRole('button', { name: 'Save reading, plan' }).click()
  await page.waitForURL(/\/plan$/)
  await expect(page.getByRole('listitem', { name: /: Milk, face only/ }).first()).toBeVisible()
  await planAsProposed(page)
  say('asked, read, planned')
  await page.getByRole('button', { name: 'Start the treatment' }).click()
  await page.waitForURL(/\/treat$/)
  while (!(await page.getByRole('heading', { name: 'Finished' }).isVisible())) await nextStep(page)
  await page.getByRole('link', { name: 'Write it up' }).click()
  await sealIt(page)
  await expect(page.getByText(/^\s*Seal 1 ·/)).toBeVisible()
  say('treated and sealed')

  // Kept in one file, put into another folder, and the same record opens there.
  const record = new URL(page.url()).pathname
  const kept = join(folder, (await keepIn(folder)) ?? '')
  const again = await bringBack(kept)
  try {
    const elsewhere = await (await browser.newContext()).newPage()
    await open(elsewhere, `${again.address}/sign-in?to=${record}`)
    await elsewhere.getByLabel('E-mail').fill(OWNER.email)
    await elsewhere.getByLabel('Password').fill(OWNER.password)
    await elsewhere.getByRole('button', { name: 'Sign in' }).click()
    await expect(elsewhere.getByText(/^\s*Seal 1 ·/)).toBeVisible()
    await expect(elsewhere.getByText(CLIENT).first()).toBeVisible()
  } finally {
    await again.end()
  }
  say('kept, brought back, the same record opens')

  // Who has left is out at once, and cannot come in again.
  await open(page, at('/practice/house'))
  await page.getByRole('button', { name: /Has left.*Jory Pell/ }).click()
  await page.getByLabel('Your password, once more').fill(OWNER.password)
  await page.getByRole('button', { name: 'Confirm' }).click()
  await expect(page.getByText('has left', { exact: true })).toBeVisible()
  await open(other, at('/people'))
  await other.getByLabel('E-mail').fill(COLLEAGUE.email)
  await other.getByLabel('Password').fill(COLLEAGUE.password)
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByText('E-mail or password is wrong.')).toBeVisible()
})
