import { encode } from 'jpeg-js'

/** A small picture of one grey, as base64 of a JPEG: real bytes, each shade another picture. */
export function jpegOf(shade: number): string {
  const side = 16
  const data = Buffer.alloc(side * side * 4, shade)
  return encode({ width: side, height: side, data }, 80).data.toString('base64')
}

/** The same with what a camera writes into its files: a block of EXIF with a place in it. */
export function withPlace(jpeg: string): string {
  const bytes = Buffer.from(jpeg, 'base64')
  const words = Buffer.from('Exif\0\0GPS 60.17 N 24.94 E')
  const block = Buffer.alloc(4)
  block.writeUInt16BE(0xffe1, 0)
  block.writeUInt16BE(words.length + 2, 2)
  return Buffer.concat([bytes.subarray(0, 2), block, words, bytes.subarray(2)]).toString('base64')
}
