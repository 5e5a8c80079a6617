import type { Technique } from '../technique'
import { ALL, BARE, INTACT, m, row } from './row'

/** Until the skin is clean. */
export const OPENING: readonly Technique[] = [
  row({ id: 'settle', name: 'Settle, headband, hands', stage: 'settle', part: 'everyVisit', minutes: m(1, 5, 2), groups: ['body'], needs: {}, leaves: {}, effects: {},
    hand: 'Wash and warm your hands; headband and drape.', cue: 'The client lies easy and hair is clear of the face.',
    say: 'I will touch your forehead first.', reason: 'comfort and hygiene' }),
  row({ id: 'eyesOff', name: 'Eyes and lips off', stage: 'eyesOff', part: 'everyVisit', linen: { pads: 3 }, minutes: m(1, 6, 2), groups: ['orbital'], product: 'eyeRemover',
    families: ['eyeWork'], needs: { film: BARE }, leaves: { soil: 'soiled', moisture: 'damp' }, effects: {},
    hand: 'Press, hold, wipe down, then side to side. No circles on the lashes. Oil soaks on waterproof mascara: the lips come off meanwhile.', cue: 'The pad comes away clean.',
    say: 'Let your jaw drop, it opens the lashes.', reason: 'mascara before anything spreads' }),
  row({ id: 'milk', name: 'Milk, face only', stage: 'surfaceCleanse', part: 'everyVisit', linen: { cloths: 1 }, minutes: m(1, 3, 2), groups: ['face'], product: 'milk',
    needs: { film: BARE }, leaves: { soil: 'sebum', moisture: 'damp', film: 'none' }, effects: {},
    hand: 'Light circles in segments, clean the hand between; off with a lukewarm cloth.', cue: 'No colour left on the cloth.',
    reason: 'so that the skin can be read' }),
  row({ id: 'secondReading', name: 'Second reading', stage: 'reading', part: 'everyVisit', minutes: m(0.5, 4, 1), groups: ['faceNeckDecollete'],
    needs: { film: BARE }, leaves: {}, effects: {}, hand: 'Look, then draw a fingertip over the usual spot.',
    cue: 'Every zone seen bare.', reason: 'make-up hides redness and texture' }),
  row({ id: 'secondCleanse', name: 'Second cleanse, gel', stage: 'deepCleanse', linen: { cloths: 1 }, minutes: m(1, 4, 2), groups: ALL, product: 'gelCleanser',
    needs: { film: ['none', 'oil', 'milk', 'medium', 'crystal'], skin: ['intact', 'abraded'], moisture: ['wet', 'damp'], soil: ['sebum', 'soiled', 'clean'] },
    leaves: { soil: 'clean', moisture: 'damp', film: 'none' }, load: { hundredths: 3, per: 'handsMinute' }, effects: { shine: 1, congestion: 1 },
    hand: 'On damp skin, up and out; rinse with a lukewarm cloth.', cue: 'Rinse water no longer clouds.', reason: 'the second cleanse is the cleanse' }),
  row({ id: 'oilCleanse', name: 'Oil cleanse, emulsifier, water', stage: 'deepCleanse', linen: { cloths: 2 }, minutes: m(3, 9, 5, 7), groups: ALL, product: 'cleansingOil',
    needs: { moisture: ['dry'], film: BARE, skin: INTACT }, leaves: { soil: 'clean', moisture: 'damp', film: 'none' },
    effects: { dehydration: 1, congestion: 1, rest: 1 },
    hand: 'Oil on dry skin some minutes, emulsifier over it, then water again and again.', cue: 'The wet hand feels skin, not slip. Count the water additions.',
    reason: 'oil lifts oil and heavy make-up without stripping' }),
]
