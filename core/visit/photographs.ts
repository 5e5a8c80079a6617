import type { Preferences } from '../catalogue/consultation/preferences'
import type { RegionId } from '../face/zones'

/** A picture of what was seen in the room; the picture itself is fetched by its id. */
export interface Photograph {
  id: string
  at: number
  regions: RegionId[]
  /** Of the bytes, as hexadecimal digits: it stands in the sealed record. */
  sha256: string
}

/**
 * Whether a picture may be taken of this client: as they have wished, or after asking them now.
 * Pictures are for the file alone, whatever was wished.
 */
export function pictureWish({ photos }: Preferences): 'no' | 'yes' | 'ask' {
  if (photos === 'no') return 'no'
  return photos === 'file' ? 'yes' : 'ask'
}
