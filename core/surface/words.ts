import { LAYER_WORDS, SAID_OF_FACE } from '../catalogue/rules/surface'
import { GROUPS } from '../face/regions'
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

/** What is said of a face of which most zones are so, the first that fits. */
const OF_MOST: readonly { id: string; text: string; is: (one: RegionSurface) => boolean }[] = [
  { id: 'oiled', text: 'oiled', is: ({ film }) => film === 'oil' },
  { id: 'madeUp', text: 'made-up', is: ({ soil }) => soil === 'madeUp' },
  { id: 'protected', text: 'protected', is: ({ layer }) => layer >= LAYER_WORDS.protected },
  { id: 'sealed', text: 'sealed', is: ({ layer }) => layer >= LAYER_WORDS.sealed },
  { id: 'layered', text: 'layered', is: ({ film }) => film === 'leaveOn' },
  { id: 'soiled', text: "day's soil", is: ({ soil }) => soil === 'soiled' },
]
/** What is said beside how damp it is, the first that fits. */
const BESIDES: readonly { text: string; from: number; is: (one: RegionSurface) => boolean }[] = [
  { text: ', fresh', from: SAID_OF_FACE.fresh, is: ({ skin }) => skin === 'abraded' },
  { text: ', warm', from: SAID_OF_FACE.most, is: ({ warmth }) => warmth === 'warm' },
  { text: ', cool', from: SAID_OF_FACE.most, is: ({ warmth }) => warmth === 'cool' },
  { text: ', sebum', from: SAID_OF_FACE.most, is: ({ soil }) => soil === 'sebum' },
]

/** What the face is like at a moment, in a word or two, for the Skin column. */
export function describeSkin(surface: Surface): { id: string; text: string } {
  const count = (is: (one: RegionSurface) => boolean) =>
    GROUPS.face.filter((region) => is(surface[region])).length
  const masked = count(({ film }) => film === 'mask')
  if (masked > 0)
    return { id: 'masked', text: masked >= SAID_OF_FACE.mask ? 'masked' : 'partly masked' }
  const first = OF_MOST.find(({ is }) => count(is) >= SAID_OF_FACE.most)
  if (first) return { id: first.id, text: first.text }
  const moisture =
    (['dry', 'wet'] as const).find(
      (own) => count((one) => one.moisture === own) >= SAID_OF_FACE.most,
    ) ?? 'damp'
  const besides = BESIDES.find(({ from, is }) => count(is) >= from)
  return { id: moisture, text: moisture + (besides?.text ?? '') }
}
