import { decode, encode } from 'jpeg-js'
import { ProblemError } from '../../problem/problem'

/** A picture as the tablet makes it is no larger; more is no record and fills the house. */
const MOST_MEGAPIXELS = 4
/** Decoding takes no more of the house's memory than this. */
const MOST_MEMORY_MB = 192
const QUALITY = 85

/**
 * A picture decoded and written anew: what a camera writes into its files (place, device, hour), and
 * whatever else lies beside the pixels, is not kept.
 * @param jpeg base64
 * @throws ProblemError 400 for what is no picture, or too large a one
 */
export async function drawnAnew(jpeg: string): Promise<Buffer> {
  try {
    const { width, height, data } = decode(Buffer.from(jpeg, 'base64'), {
      useTArray: true,
      tolerantDecoding: false,
      maxResolutionInMP: MOST_MEGAPIXELS,
      maxMemoryUsageInMB: MOST_MEMORY_MB,
    })
    return encode({ width, height, data }, QUALITY).data
  } catch {
    throw new ProblemError(400, 'Not accepted', 'This is not a picture that can be read.', [
      { field: 'jpeg', given: 'bytes', allowed: `a JPEG of at most ${MOST_MEGAPIXELS} megapixels` },
    ])
  }
}
