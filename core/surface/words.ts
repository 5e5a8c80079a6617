import { GROUPS } from '../face/regions'
import type { RegionId } from '../face/zones'
import type { RegionSurface, Surface, Unmet } from './surface'

const WORDS: Record<string, string> = {
  madeUp: 'made-up',
  soiled: "day's soil",
  sebum: 'sebum film',
  clean: 'clean',
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
const word = (s: string) =>
  s
    .split(' or ')
    .map((w) => WORDS[w] ?? w)
    .join(' or ')

/** One line for a finding: "needs dry skin, finds damp". */
export function describeUnmet(u: Unmet): string {
  if (u.part === 'settled') return 'the layer below has not settled'
  if (u.part === 'film') return `needs ${word(u.want)}, finds ${word(u.have)}`
  return `needs ${word(u.want)} skin, finds ${word(u.have)}`
}

/** What the face is like at a moment, in a word or two, for the Skin column. */
export function describeSkin(surface: Surface): { id: string; text: string } {
  const count = (test: (s: RegionSurface) => boolean, rs: readonly RegionId[] = GROUPS.face) =>
    rs.filter((r) => test(surface[r])).length
  const masked = count((s) => s.film === 'mask')
  if (masked > 0) return { id: 'masked', text: masked >= 8 ? 'masked' : 'partly masked' }
  if (count((s) => s.film === 'oil') > 4) return { id: 'oiled', text: 'oiled' }
  if (count((s) => s.soil === 'madeUp') > 4) return { id: 'madeUp', text: 'made-up' }
  if (count((s) => s.layer >= 7) > 4) return { id: 'protected', text: 'protected' }
  if (count((s) => s.layer >= 5) > 4) return { id: 'sealed', text: 'sealed' }
  if (count((s) => s.film === 'leaveOn') > 4) return { id: 'layered', text: 'layered' }
  if (count((s) => s.soil === 'soiled') > 4) return { id: 'soiled', text: "day's soil" }
  const moisture =
    count((s) => s.moisture === 'dry') > 4
      ? 'dry'
      : count((s) => s.moisture === 'wet') > 4
        ? 'wet'
        : 'damp'
  const extra =
    count((s) => s.skin === 'abraded') > 2
      ? ', fresh'
      : count((s) => s.warmth === 'warm') > 4
        ? ', warm'
        : count((s) => s.warmth === 'cool') > 4
          ? ', cool'
          : count((s) => s.soil !== 'clean') > 4
            ? ', sebum'
            : ''
  return { id: moisture, text: moisture + extra }
}
