import { asOwner, open, runningVisit } from '../support/house'
import { throughTheRoom } from '../support/visit'
import { expect, test } from '../support/browserTest'
import { letIn } from '../support/walk'

test('a picture of a reaction is taken where the client agrees, and is seen in the file', async ({
  page,
}) => {
  const id = await runningVisit('other-23')
  await letIn(page, 'owner')
  await open(page, `/visits/${id}/treat`)
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Sensation 8' }).click()
  await expect(page.getByRole('heading', { name: 'Stop. Off with cool water.' })).toBeVisible()
  const button = page.getByRole('button', { name: 'Picture, if wanted' })
  await expect(button).toBeDisabled()
  await page.getByLabel('Agrees to a picture, for the file only').check()
  const camera = page.getByLabel('A picture from the camera or the device')
  await camera.setInputFiles({
    name: 'cheek.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('no picture'),
  })
  await expect(page.getByText('This file is no picture.')).toBeVisible()
  // Out of reach for a moment: the picture waits on the page, and is kept by a second tap.
  await page.route('**/photographs', (route) => route.abort())
  const shot = await page.screenshot({ type: 'png' })
  await camera.setInputFiles({ name: 'cheek.png', mimeType: 'image/png', buffer: shot })
  await expect(page.getByText(/No connection to the practice server/)).toBeVisible()
  await page.unroute('**/photographs')
  await page.getByRole('button', { name: 'Save again' }).click()
  await expect(page.getByText('1 kept')).toBeVisible()
  await throughTheRoom(await asOwner(), id)
  await open(page, `/visits/${id}/close`)
  const seen = page.getByRole('img', { name: /^Taken at / })
  await expect(seen).toBeVisible()
  await expect
    .poll(() => seen.evaluate((image) => (image as HTMLImageElement).naturalWidth))
    .toBe(1280)
})
