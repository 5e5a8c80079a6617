/** Longest side of a picture that is kept, pixels: a cheek is seen, a house is not filled. */
const LONGEST = 1280
const QUALITY = 0.8

/**
 * A picture as it is kept: small, as a JPEG drawn anew, so that nothing of what a camera writes into
 * its files goes along (place, device, hour).
 * @returns base64 without a head
 * @throws Error for a file that is no picture
 */
export async function smallJpeg(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' })
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(picture.width * scale)
  canvas.height = Math.round(picture.height * scale)
  const drawing = canvas.getContext('2d')
  if (!drawing) throw new Error('this device cannot draw')
  drawing.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  return canvas.toDataURL('image/jpeg', QUALITY).replace(/^[^,]*,/, '')
}
