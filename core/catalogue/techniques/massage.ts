import { minutes } from '../../units'
import type { Technique } from '../technique'
import { BARE, CLEAN, INTACT, m, row } from './row'

/** Hands, stones and current on the face; hands busy elsewhere while something rests. */
export const MASSAGE: readonly Technique[] = [
  row({ id: 'massage', name: 'Face massage', stage: 'massage', minutes: m(3, 20, 5, 10, 15), groups: ['faceNeckDecollete'], product: 'massageOil', families: ['massage'],
    needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'oil', moisture: 'damp' }, effects: { rest: 3, firmness: 2, dullness: 1 },
    hand: 'Slow and relaxing: say so. Up and out on the face, down the neck sides; open the nodes in front of the ear first.', cue: 'The face lets go.', reason: 'drainage, tone, rest' }),
  row({ id: 'toningMassage', name: 'Toning massage', stage: 'massage', minutes: m(3, 15, 5, 10), groups: ['faceNeckDecollete'], product: 'massageOil', families: ['massage'], needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'oil', moisture: 'damp', redness: 1 }, effects: { firmness: 3, dullness: 2, rest: 1 },
    hand: 'Brisk and toning: say so. Lifting strokes, up and out, compare the sides half-way.', cue: 'Even pink, the face looks awake.', reason: 'tone and circulation; the lift is for today' }),
  row({ id: 'stones', name: 'Stones', stage: 'massage', minutes: m(5, 15, 5, 10), groups: ['faceNeck'], product: 'massageOil', families: ['massage', 'cold'], needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'oil', moisture: 'damp', warmth: 'cool', redness: -1 }, effects: { firmness: 2, rest: 2, redness: 1 },
    hand: 'Plenty of slip, flat, not the edge; three to five strokes a section, end in front of the ear with a small wiggle.', cue: 'The side done differs from the other.', reason: 'less puffiness for today' }),
  row({ id: 'microcurrent', name: 'Microcurrent', stage: 'massage', minutes: m(5, 20, 10, 15), groups: ['faceNeck'], device: 'microcurrentWand', licence: 'current', families: ['microcurrent'], product: 'conductiveGel', setting: { label: 'Current', unit: 'µA', least: 40, start: 80, most: 320, step: 20 },
    needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'medium', moisture: 'damp' }, effects: { firmness: 3, rest: 1 }, hand: 'Gel as thick as a gel mask, never dry; three glides a section up to the temple; compare the sides.', cue: 'The side done stands higher.', say: 'You may feel nothing at all.', reason: 'a lift for the evening' }),
  row({ id: 'handsArms', name: 'Hands and forearms', stage: 'massage', part: 'follows', fillsFrom: minutes(2), minutes: m(1, 15, 3, 5), groups: ['body'], besideResting: true, needs: {}, leaves: {}, effects: { rest: 1 },
    hand: 'Slow strokes, one side, then the other.', cue: 'The mask\'s time is up.', reason: 'hands busy while it rests' }),
  row({ id: 'shouldersScalp', name: 'Shoulders and scalp', stage: 'massage', part: 'follows', fillsFrom: minutes(5), minutes: m(1, 20, 5, 10), groups: ['body'], besideResting: true, needs: {}, leaves: {}, effects: { rest: 2 },
    hand: 'Slow strokes, no talking needed.', cue: 'Shoulders drop.', reason: 'rest while a mask works' }),
  row({ id: 'stay', name: 'Stay with the client', stage: 'mask', part: 'follows', fillsFrom: minutes(0), minutes: m(0.5, 20, 1), groups: ['body'], besideResting: true, needs: {}, leaves: {}, effects: {},
    hand: 'Watch the mask\'s edge and the client\'s hand.', cue: 'The mask\'s time is up.', reason: 'nobody rests under a mask alone' }),
]
