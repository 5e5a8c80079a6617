import type { Technique } from '../technique'
import { ALL, CLEAN, m, row } from './row'

const FINISH_BASE = { soil: CLEAN, film: ['none', 'leaveOn'] } as const
/** Leave-on layers, thinnest first, and the end of the visit. */
export const FINISHING: readonly Technique[] = [
  row({ id: 'serum', name: 'Serum', stage: 'serum', minutes: m(0.5, 3, 1), groups: ALL, product: 'serum', needs: { ...FINISH_BASE, moisture: ['damp'], settled: true },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 2, settleMinutes: 0.5 }, effects: { dehydration: 2, dullness: 1 }, hand: 'Pressed in from the palms.', cue: 'Dry to the touch.', reason: 'thinnest layer first' }),
  row({ id: 'ampoule', name: 'Ampoule', stage: 'serum', minutes: m(0.5, 3, 1), groups: ALL, product: 'ampoule', needs: { ...FINISH_BASE, moisture: ['damp'], settled: true, skin: ['intact', 'abraded'] }, leaves: { film: 'leaveOn', moisture: 'dry', layer: 2, settleMinutes: 1 }, effects: { dehydration: 3, firmness: 1, dullness: 1 },
    hand: 'Snap it in cotton, glass to sharps; half now, half for the morning after. Fingertips: none lost to the palm.', cue: 'Dry to the touch.', reason: 'one measured dose' }),
  row({ id: 'eyeProduct', name: 'Eye product', stage: 'eyes', minutes: m(0.5, 2, 0.5), groups: ['orbital'], product: 'eyeProduct', families: ['eyeWork'], needs: FINISH_BASE,
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 3, settleMinutes: 0.5 }, effects: { firmness: 1, dehydration: 1 }, hand: 'Ring finger, on the bone only, patted.', cue: 'Nothing on the lid.', reason: 'a thin, thirsty ring' }),
  row({ id: 'moisturiser', name: 'Moisturiser', stage: 'moisturise', part: 'everyVisit', minutes: m(0.5, 3, 1), groups: ALL, product: 'moisturiser', needs: { ...FINISH_BASE, settled: true },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 5, settleMinutes: 1 }, effects: { dehydration: 2, redness: 1 }, hand: 'Up and out; neck too.', cue: 'Sunk in, even sheen.', reason: 'locks in what was given' }),
  row({ id: 'facialOil', name: 'Facial oil', stage: 'oil', minutes: m(0.5, 2, 0.5), groups: ALL, product: 'facialOil', needs: { ...FINISH_BASE, moisture: ['damp'] },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 6, settleMinutes: 1 }, effects: { dehydration: 1, rest: 1 }, hand: 'Two to four drops, pressed on damp skin.', cue: 'Thin even sheen.', reason: 'keeps water in overnight' }),
  row({ id: 'lipCare', name: 'Lip balm', stage: 'lips', minutes: m(0.5, 1, 0.5), groups: ['body'], product: 'lipCare', families: ['lips'], needs: {}, leaves: {}, effects: { dehydration: 1, rest: 1 },
    hand: 'A little balm from a clean spatula.', cue: 'Soft, not sticky.', say: 'Balm on your lips.', reason: 'lips have no oil of their own' }),
  row({ id: 'lipScrub', name: 'Lip scrub', stage: 'lips', linen: { pads: 1 }, minutes: m(1, 2, 1), groups: ['body'], product: 'lipScrub', families: ['lips'], needs: {}, leaves: {}, effects: { dullness: 1, dehydration: 1 },
    hand: 'Sugar in oil, small circles, off with a damp pad; a hand beside the mouth first.', cue: 'Smooth; pink at most.', say: 'My hand beside your mouth.', reason: 'loosens flakes on the lips' }),
  row({ id: 'sunProtection', name: 'Sun protection', stage: 'sun', part: 'everyVisit', minutes: m(0.5, 2, 1), groups: ALL, product: 'sunProtection', needs: { ...FINISH_BASE, settled: true },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 7, settleMinutes: 1 }, effects: {}, hand: 'Three fingertip units; round the eyes, ears, neck.', cue: 'No zone forgotten.', reason: 'fresh skin, daylight', source: 'ISO 24444 for the amount; common practice for the step' }),
  row({ id: 'close', name: 'Sit up, look together', stage: 'close', part: 'everyVisit', minutes: m(2, 6, 3), groups: ['body'], needs: { film: ['none', 'leaveOn'] }, leaves: {}, effects: {},
    hand: 'Sit up slowly, mirror, aftercare in hand.', cue: 'The client knows what to do tonight.', reason: 'the client knows what to do' }),
]
