import type { Technique } from '../technique'
import { ALL, BARE, CLEAN, INTACT, m, rests, row } from './row'

/** What rests on the face, and what takes it off. */
export const MASKS: readonly Technique[] = [
  row({ id: 'clay', name: 'Setting clay on', stage: 'mask', minutes: m(1, 4, 2), groups: ['faceNoEyes', 'tZone'], product: 'settingClay', families: ['clay'],
    dwell: rests(5, 12, [5, 7], 'rewet'),
    needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'mask', moisture: 'damp' }, load: { hundredths: 10, per: 'dwellRoot' },
    effects: { shine: 3, congestion: 2 }, hand: 'So that no skin shows, not thick.', cue: 'Dull at the edge, moist within; off before it cracks.', reason: 'takes up oil' }),
  row({ id: 'hydratingMask', name: 'Hydrating mask on', stage: 'mask', minutes: m(1, 4, 2), groups: ['faceNeckDecollete', 'face'], product: 'hydratingMask',
    dwell: rests(5, 15, [5, 15], 'harmless'),
    needs: { soil: CLEAN, film: ['none', 'leaveOn'], skin: ['intact', 'abraded'] }, leaves: { film: 'mask', moisture: 'damp', redness: -1 }, effects: { dehydration: 3, redness: 2, rest: 1, firmness: 1 },
    hand: 'Generous, thickest where the skin is thirsty.', cue: 'Note which zones drank it first.', reason: 'water where it is lacking' }),
  row({ id: 'creamMask', name: 'Cream mask on', stage: 'mask', minutes: m(1, 4, 2), groups: ['faceNeckDecollete', 'face'], product: 'creamMask', dwell: rests(10, 20, [10, 15], 'harmless'), needs: { soil: CLEAN, film: ['none', 'leaveOn'], skin: INTACT }, leaves: { film: 'mask', moisture: 'damp' }, effects: { dehydration: 2, rest: 2, dullness: 1, firmness: 1 },
    hand: 'Thin enough to come off easily.', cue: 'Soft at the touch; more can go on where it sank in.', reason: 'softens and soothes without setting' }),
  row({ id: 'sheetMask', name: 'Sheet mask on', stage: 'mask', minutes: m(1, 2, 1), groups: ['face'], product: 'sheetMask', families: ['covering'], dwell: rests(10, 15, [10, 12], 'rewet'), needs: { soil: CLEAN, film: ['none', 'leaveOn'], skin: ['intact', 'abraded'] }, leaves: { film: 'mask', moisture: 'wet', redness: -1, warmth: 'cool' }, effects: { dehydration: 3, redness: 1, rest: 1 },
    hand: 'Smooth it from the nose out; free the lids.', cue: 'Off before its edge dries.', reason: 'water held against the skin' }),
  row({ id: 'freshMask', name: 'Fresh powder mask on', stage: 'mask', minutes: m(1, 4, 2), groups: ['faceNeck', 'tZone'], product: 'powderMask', dwell: rests(5, 15, [5, 8], 'rewet'), needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'mask', moisture: 'damp' }, load: { hundredths: 4, per: 'dwellRoot' }, effects: { dullness: 2, shine: 2, redness: 1 },
    hand: 'Mixed now, never kept; brush it on evenly, brows and hairline free.', cue: 'Dull at the edge, moist within.', reason: 'fresh, short and mild' }),
  row({ id: 'hardeningMask', name: 'Hardening mask on', stage: 'mask', minutes: m(2, 4, 3), groups: ['faceNoEyes'], product: 'hardeningPowder', families: ['covering'], dwell: rests(25, 30, [25, 25], 'rewet'), lift: 'hardeningOff', quiet: true, needs: { soil: CLEAN, film: BARE, moisture: ['dry'], skin: INTACT }, leaves: { film: 'mask', moisture: 'dry' }, load: { hundredths: 4, per: 'dwellRoot' }, effects: { firmness: 3, rest: 1, dullness: 1 },
    hand: 'Lips oiled, eyes done, hand signal agreed; from the neck up, without stopping.', cue: 'Firm all over at its time; not fully hard.', say: 'Now half an hour without a word: lift your hand for anything.', reason: 'tightens for the evening' }),
  row({ id: 'hardeningOff', name: 'Oil film, then warm cloth', stage: 'mask', part: 'follows', linen: { cloths: 2 }, minutes: m(2, 5, 3), groups: ['faceNoEyes'], lifts: true, needs: { film: ['mask'] }, leaves: { film: 'none', moisture: 'damp', soil: 'clean' }, effects: {},
    hand: 'A film of oil over it, wait, then a damp warm cloth laid on; it lets go in pieces.', cue: 'The hand feels skin, not product.', reason: 'never pulled off dry' }),
  row({ id: 'eyeMask', name: 'Eye mask on', stage: 'mask', minutes: m(0.5, 2, 0.5), groups: ['orbital'], product: 'eyeMask', families: ['eyeWork'], dwell: rests(10, 15, [10, 12], 'harmless'), needs: { soil: CLEAN, film: ['none', 'leaveOn'], skin: ['intact', 'abraded'] }, leaves: { film: 'mask', moisture: 'damp', redness: -1 }, effects: { dehydration: 2, firmness: 2 },
    hand: 'Under the brow, under the eye, to the outer corner; nothing on the lid.', cue: 'Puffiness down.', reason: 'for puffy, thirsty eye contours' }),
  row({ id: 'maskOff', name: 'Mask off', stage: 'mask', part: 'follows', linen: { cloths: 1 }, minutes: m(1, 4, 1, 2), groups: ALL, needs: { film: ['mask'] }, leaves: { film: 'none', moisture: 'damp', warmth: 'neutral' }, effects: {},
    hand: 'Wet it first; sponges and cool water. Check nostril creases, brows, hairline, under-chin.', cue: 'The hand feels skin, not product.', reason: 'no barrier under the finish' }),
]
