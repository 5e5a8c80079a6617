import { GROUPS } from '../face/regions'
import type { RegionId } from '../face/zones'
import type { RegionSurface, Surface, Unmet } from './surface'

const WORDS: Record<string, string> = {
  madeUp: 'made-up',
  soiled: "day's soil",
  sebum: 'sebum film',
  clean: 'clean',
  oiled: 'oiled',
  none: 'nothing on it',
  leaveOn: 'a leave-on',
  grain: 'grains',
  medium: 'gel',
  milk: 'milk',
  lather: 'lather',
  oil: 'oil',
  mask: 'a mask',
  wet: 'wet',
  damp: 'damp',
  dry: 'dry',
  intact: 'intact',
  abraded: 'freshly abraded',
  punctured: 'needled',
  warm: 'warm',
  cool: 'cool',
  neutral: 'neutral',
}
const word = (id: string) =>
  id
    .split(' or ')
    .map((why) => WORDS[why] ?? why)
    .join(' or ')

/** One line for a finding: "needs dry skin, finds damp". */
export function describeUnmet(unmet: Unmet): string {
  if (unmet.part === 'settled') return 'the layer below has not settled'
  if (unmet.part === 'film') return `needs ${word(unmet.want)}, finds ${word(unmet.have)}`
  return `needs ${word(unmet.want)} skin, finds ${word(unmet.have)}`
}

/** What the face is like at a moment, in a word or two, for the Skin column. */
export function describeSkin(surface: Surface): { id: string; text: string } {
  const count = (
    test: (surface: RegionSurface) => boolean,
    rs: readonly RegionId[] = GROUPS.face,
  ) => rs.filter((each) => test(surface[each])).length
  const masked = count((surface) => surface.film === 'mask')
  if (masked > 0) return { id: 'masked', text: masked >= 8 ? 'masked' : 'partly masked' }
  if (count((surface) => surface.film === 'oil') > 4) return { id: 'oiled', text: 'oiled' }
  if (count((surface) => surface.soil === 'madeUp') > 4) return { id: 'madeUp', text: 'made-up' }
  if (count((surface) => surface.layer >= 7) > 4) return { id: 'protected', text: 'protected' }
  if (count((surface) => surface.layer >= 5) > 4) return { id: 'sealed', text: 'sealed' }
  if (count((surface) => surface.film === 'leaveOn') > 4) return { id: 'layered', text: 'layered' }
  if (count((surface) => surface.soil === 'soiled') > 4) return { id: 'soiled', text: "day's soil" }
  const moisture =
    count((surface) => surface.moisture === 'dry') > 4
      ? 'dry'
      : count((surface) => surface.moisture === 'wet') > 4
        ? 'wet'
        : 'damp'
  const extra =
    count((surface) => surface.skin === 'abraded') > 2
      ? ', fresh'
      : count((surface) => surface.warmth === 'warm') > 4
        ? ', warm'
        : count((surface) => surface.warmth === 'cool') > 4
          ? ', cool'
          : count((surface) => surface.soil === 'sebum') > 4
            ? ', sebum'
            : ''
  return { id: moisture, text: moisture + extra }
}
