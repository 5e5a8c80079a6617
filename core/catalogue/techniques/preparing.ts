import type { Technique } from '../technique'
import { ALL, BARE, CLEAN, INTACT, m, row } from './row'

/** What makes the surface right for the next step. */
export const PREPARING: readonly Technique[] = [
  row({ id: 'tone', name: 'Tone', stage: 'tone', part: 'everyVisit', linen: { pads: 2 }, minutes: m(0.5, 2, 1), groups: ALL, product: 'toner',
    needs: { soil: ['clean', 'sebum'], film: BARE, skin: ['intact', 'abraded'] }, leaves: { moisture: 'damp', film: 'none', soil: 'clean' }, effects: { dehydration: 1 },
    hand: 'Dry pad; first side wipes, turned side presses moisture in.', cue: 'The pad stays clean.',
    reason: 'residue off, acidity back' }),
  row({ id: 'blot', name: 'Blot', stage: 'tone', part: 'follows', minutes: m(0.5, 1, 0.5), groups: ALL, needs: {}, leaves: { moisture: 'dry' }, effects: {},
    hand: 'Tissue with a breathing slit, pressed, never wiped.', cue: 'Dry to the touch.', say: 'A tissue, you can breathe through it.', reason: 'dry skin for what comes next' }),
  row({ id: 'rinse', name: 'Cloth and water', stage: 'tone', part: 'follows', linen: { cloths: 1 }, minutes: m(0.5, 3, 1), groups: ALL,
    needs: { film: ['none', 'milk', 'oil', 'lather', 'grain', 'mask', 'medium', 'leaveOn'] }, leaves: { moisture: 'damp', film: 'none' }, effects: {}, hand: 'Lukewarm cloth, pressed and lifted; brows, creases, hairline too.',
    cue: 'The hand feels skin, not product.', reason: 'what lies on the skin comes off first' }),
  row({ id: 'mist', name: 'Mist, pressed in', stage: 'afterMask', part: 'everyVisit', minutes: m(0.5, 2, 0.5, 1.5), groups: ALL, product: 'mist',
    needs: { film: ['none', 'leaveOn', 'crystal'], skin: ['intact', 'abraded'] }, leaves: { moisture: 'damp' }, effects: { dehydration: 1 }, hand: 'Several sprays, pressed in with flat hands; thirsty skin two to three rounds.', cue: 'Supple, still damp.', reason: 'damp skin for what comes next' }),
  row({ id: 'wait', name: 'Let it settle', stage: 'serum', part: 'follows', minutes: m(0.5, 3, 1), groups: ALL, needs: {}, leaves: {}, effects: {},
    hand: 'Hands off; tidy the trolley.', cue: 'Dry to the touch.', reason: 'a layer laid too soon rolls into crumbs' }),
  row({ id: 'steam', name: 'Steam', stage: 'warm', minutes: m(3, 10, 3, 5, 8), groups: ['face'], device: 'steamer', families: ['heat', 'vapour'], wholeFace: true,
    attended: true, heatFactor: 125, needs: { soil: CLEAN, film: BARE }, leaves: { moisture: 'wet', warmth: 'warm', redness: 1 }, load: { hundredths: 4, per: 'handsMinute' },
    setting: { label: 'Distance', unit: 'cm', least: 30, start: 35, most: 45, step: 5 }, effects: { congestion: 2, rest: 1 },
    hand: 'Let it steam away from the face first; outlet at least 30 cm off.', cue: 'Even, faint warmth; no hot cheeks.', say: 'Warm mist now.', reason: 'softens, so that less work is needed after it' }),
  row({ id: 'warmTowel', name: 'Warm towel', stage: 'warm', linen: { cloths: 1 }, minutes: m(1, 2, 1, 2), groups: ['face', 'faceNeck'], device: 'towelCabinet', families: ['heat'], wholeFace: true, heatFactor: 125,
    needs: { film: BARE, skin: INTACT }, leaves: { moisture: 'damp', warmth: 'warm' }, load: { hundredths: 3, per: 'handsMinute' }, effects: { rest: 1, congestion: 1 },
    hand: 'Test it on your inner wrist, wring it out, lay it from the chin up; nostrils free.', cue: 'Even warmth, no hot cheeks.', say: 'A warm towel now.', reason: 'softens gently, without vapour' }),
]
