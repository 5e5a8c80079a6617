import { minutes, type Minutes } from '../units'
import type { GroupId } from '../face/regions'
import { COMMON_PRACTICE } from './kinds'
import type { Technique, TechniqueId } from './technique'

const m = (least: number, most: number, ...choices: number[]) =>
  ({ least: minutes(least), most: minutes(most), choices: choices.map(minutes) as readonly Minutes[] })
const CLEAN = ['clean'] as const
const ALL: readonly GroupId[] = ['faceNeckDecollete']

type Row = Omit<Technique, 'source' | 'licence' | 'families'> & Partial<Pick<Technique, 'source' | 'licence' | 'families'>>
const row = (r: Row): Technique => ({ source: COMMON_PRACTICE, licence: 'basic', families: [], ...r })

const OPENING: Technique[] = [
  row({ id: 'settle', name: 'Settle, headband, hands', stage: 'settle', minutes: m(1, 5, 2), groups: ['body'], needs: {}, leaves: {}, effects: {},
    hand: 'Wash and warm your hands; headband and drape.', cue: 'The client lies easy and hair is clear of the face.',
    say: 'I will touch your forehead first.', reason: 'comfort and hygiene' }),
  row({ id: 'eyesOff', name: 'Eyes and lips off', stage: 'eyesOff', minutes: m(1, 6, 2), groups: ['orbital'], product: 'eyeRemover',
    families: ['eyeWork'], needs: { film: ['none'] }, leaves: { soil: 'soiled', moisture: 'damp' }, effects: {},
    hand: 'Press, hold, wipe down, then side to side. No circles on the lashes.', cue: 'The pad comes away clean.',
    say: 'Let your jaw drop, it opens the lashes.', reason: 'mascara before anything spreads' }),
  row({ id: 'milk', name: 'Milk, face only', stage: 'surfaceCleanse', minutes: m(1, 3, 2), groups: ['face'], product: 'milk',
    needs: { film: ['none'] }, leaves: { soil: 'sebum', moisture: 'damp', film: 'none' }, effects: {},
    hand: 'Light circles in segments, clean the hand between; off with a lukewarm cloth.', cue: 'No colour left on the cloth.',
    reason: 'so that the skin can be read' }),
  row({ id: 'secondReading', name: 'Second reading', stage: 'reading', minutes: m(0.5, 4, 1), groups: ['faceNeckDecollete'],
    needs: { film: ['none'] }, leaves: {}, effects: {}, hand: 'Look, then draw a fingertip over the usual spot.',
    cue: 'Every zone seen bare.', reason: 'make-up hides redness and texture' }),
  row({ id: 'secondCleanse', name: 'Second cleanse, gel', stage: 'deepCleanse', minutes: m(1, 4, 2), groups: ALL, product: 'gelCleanser',
    needs: { film: ['none', 'oil', 'milk', 'medium'], moisture: ['wet', 'damp'], soil: ['sebum', 'soiled', 'clean'] },
    leaves: { soil: 'clean', moisture: 'damp', film: 'none' }, load: { hundredths: 3, per: 'handsMinute' }, effects: { shine: 1, congestion: 1 },
    hand: 'On damp skin, up and out; rinse with a lukewarm cloth.', cue: 'Rinse water no longer clouds.', reason: 'the second cleanse is the cleanse' }),
  row({ id: 'oilCleanse', name: 'Oil cleanse, emulsifier, water', stage: 'deepCleanse', minutes: m(3, 9, 5, 7), groups: ALL, product: 'cleansingOil',
    needs: { moisture: ['dry'], film: ['none'] }, leaves: { soil: 'clean', moisture: 'damp', film: 'none' },
    effects: { dehydration: 1, congestion: 1, rest: 1 },
    hand: 'Oil on dry skin some minutes, emulsifier over it, then water again and again.', cue: 'The wet hand feels skin, not slip. Count the water additions.',
    reason: 'oil lifts oil and heavy make-up without stripping' }),
]

const PREPARING: Technique[] = [
  row({ id: 'tone', name: 'Tone', stage: 'tone', minutes: m(0.5, 2, 1), groups: ALL, product: 'toner',
    needs: { soil: ['clean', 'sebum'], film: ['none'] }, leaves: { moisture: 'damp', film: 'none', soil: 'clean' }, effects: { dehydration: 1 },
    hand: 'Dry pad; first side wipes, turned side presses moisture in.', cue: 'The pad stays clean.',
    reason: 'residue off, acidity back' }),
  row({ id: 'blot', name: 'Blot', stage: 'tone', minutes: m(0.5, 1, 0.5), groups: ALL, needs: {}, leaves: { moisture: 'dry' }, effects: {},
    hand: 'Tissue with a breathing slit, pressed, never wiped.', cue: 'Dry to the touch.', say: 'A tissue, you can breathe through it.', reason: 'dry skin for what comes next' }),
  row({ id: 'rinse', name: 'Cloth and water', stage: 'tone', minutes: m(0.5, 3, 1), groups: ALL,
    needs: {}, leaves: { moisture: 'damp', film: 'none' }, effects: {}, hand: 'Lukewarm cloth, pressed and lifted; brows, creases, hairline too.',
    cue: 'The hand feels skin, not product.', reason: 'what lies on the skin comes off first' }),
  row({ id: 'mist', name: 'Mist, pressed in', stage: 'serum', minutes: m(0.5, 2, 0.5), groups: ALL, product: 'mist',
    needs: {}, leaves: { moisture: 'damp' }, effects: { dehydration: 1 }, hand: 'Several sprays, pressed in with flat hands.', cue: 'Supple, still damp.', reason: 'damp skin for what comes next' }),
  row({ id: 'wait', name: 'Let it settle', stage: 'serum', minutes: m(0.5, 3, 1), groups: ALL, needs: {}, leaves: {}, effects: {},
    hand: 'Hands off; tidy the trolley.', cue: 'Dry to the touch.', reason: 'a layer laid too soon rolls into crumbs' }),
  row({ id: 'steam', name: 'Steam', stage: 'warm', minutes: m(3, 10, 3, 5, 8), groups: ['face'], device: 'steamer', families: ['heat', 'vapour'], wholeFace: true,
    attended: true, heatFactor: 125, needs: { soil: CLEAN, film: ['none'] }, leaves: { moisture: 'wet', warmth: 'warm', redness: 1 }, load: { hundredths: 4, per: 'handsMinute' },
    setting: { label: 'Distance', unit: 'cm', least: 30, start: 35, most: 45, step: 5 }, effects: { congestion: 2, rest: 1 },
    hand: 'Let it steam away from the face first; outlet at least 30 cm off.', cue: 'Even, faint warmth; no hot cheeks.', say: 'Warm mist now.', reason: 'softens, so that less work is needed after it' }),
]

const EXFOLIATION: Technique[] = [
  row({ id: 'grain', name: 'Grain scrub', stage: 'handExfoliation', minutes: m(0.5, 2, 1, 2), groups: ['faceNoEyes', 'tZone'], product: 'grainScrub',
    families: ['friction'], needs: { soil: CLEAN, film: ['none'], moisture: ['wet', 'damp'], skin: ['intact'] }, leaves: { film: 'none', moisture: 'damp', redness: 1 },
    load: { hundredths: 90, per: 'handsMinute' }, effects: { dullness: 2, congestion: 1 }, hand: 'Wet hands, no pressure, more on nose, chin, forehead; rinse, dry cloth for the brows.',
    cue: 'The hand feels even; faint pink at most.', reason: 'loosens dead cells by hand' }),
  row({ id: 'enzyme', name: 'Enzyme on', stage: 'handExfoliation', minutes: m(1, 2, 1), groups: ['faceNoEyes', 'tZone'], product: 'enzymeMask', families: ['enzyme'],
    dwell: { earliest: minutes(5), latest: minutes(10), sensitive: { earliest: minutes(5), latest: minutes(7) }, late: 'removeNow' },
    needs: { soil: CLEAN, film: ['none'], skin: ['intact'] }, leaves: { film: 'mask', moisture: 'wet', redness: 1 }, load: { hundredths: 40, per: 'dwellRoot' },
    effects: { dullness: 2, congestion: 2 }, hand: 'An even film with a soft brush.', cue: 'Tingle is normal; burning is not: remove.', say: 'Tingle yes, burning no, tell me.', reason: 'loosens dead cells without rubbing' }),
  row({ id: 'tip', name: 'Diamond tip', stage: 'machine', minutes: m(5, 15, 8, 12), groups: ['faceNoEyes', 'tZone'], device: 'tipMachine', licence: 'machine',
    families: ['abrasion', 'vacuum'], passes: { usual: 1, limit: 2 }, setting: { label: 'Vacuum', unit: 'kPa', least: 8, start: 12, most: 30, step: 2 },
    needs: { soil: CLEAN, film: ['none'], moisture: ['dry'], skin: ['intact'] }, leaves: { skin: 'abraded', redness: 1, film: 'none' }, load: { hundredths: 180, per: 'pass' },
    effects: { dullness: 3, congestion: 2, firmness: 1 }, hand: 'Skin taut between two fingers, outside first, nose last. Never a third pass.', cue: 'Even pink, not hot.', say: 'A hum, and a light pull.', reason: 'clears what hands cannot' }),
]

const CALMING: Technique[] = [
  row({ id: 'highFrequency', name: 'High frequency', stage: 'calm', minutes: m(2, 8, 3, 5), groups: ['faceNoEyes', 'tZone'], device: 'highFrequencyWand', licence: 'current',
    families: ['highFrequency'], setting: { label: 'Level', unit: '', least: 1, start: 1, most: 6, step: 1 },
    needs: { soil: CLEAN, film: ['none', 'leaveOn'] }, leaves: { redness: 0 }, load: { hundredths: 2, per: 'handsMinute' }, effects: { congestion: 2, shine: 1 },
    hand: 'Finger on the glass while landing and lifting; always moving.', cue: 'No zone warmer than another.', say: 'A buzz and a smell like after rain.', reason: 'settles spots after the work' }),
  row({ id: 'cold', name: 'Cold globes', stage: 'calm', minutes: m(1, 3, 2), groups: ['face'], families: ['cold'],
    needs: {}, leaves: { warmth: 'cool', redness: -1 }, effects: { redness: 2, rest: 1 }, hand: 'Wrapped, moving, never bare ice on one spot.', cue: 'Pink fades.', say: 'Cold now.', reason: 'calms by cool' }),
  row({ id: 'massage', name: 'Face massage', stage: 'massage', minutes: m(3, 20, 5, 10, 15), groups: ['faceNeckDecollete'], product: 'massageOil', families: ['massage'],
    needs: { soil: CLEAN, film: ['none'], skin: ['intact'] }, leaves: { film: 'oil', moisture: 'damp' }, effects: { rest: 3, firmness: 2, dullness: 1 },
    hand: 'Up and out on the face, down the neck sides; open the nodes in front of the ear first.', cue: 'The face lets go.', reason: 'drainage, tone, rest' }),
  row({ id: 'handsArms', name: 'Hands and forearms', stage: 'massage', minutes: m(1, 15, 3, 5), groups: ['body'], besideResting: true, needs: {}, leaves: {}, effects: { rest: 1 },
    hand: 'Slow strokes, one side, then the other.', cue: 'The mask\'s time is up.', reason: 'hands busy while it rests' }),
  row({ id: 'shouldersScalp', name: 'Shoulders and scalp', stage: 'massage', minutes: m(1, 20, 5, 10), groups: ['body'], besideResting: true, needs: {}, leaves: {}, effects: { rest: 2 },
    hand: 'Slow strokes, no talking needed.', cue: 'Shoulders drop.', reason: 'rest while a mask works' }),
  row({ id: 'stay', name: 'Stay with the client', stage: 'mask', minutes: m(0.5, 20, 1), groups: ['body'], besideResting: true, needs: {}, leaves: {}, effects: {},
    hand: 'Watch the mask\'s edge and the client\'s hand.', cue: 'The mask\'s time is up.', reason: 'nobody rests under a mask alone' }),
]

const MASKS: Technique[] = [
  row({ id: 'clay', name: 'Setting clay on', stage: 'mask', minutes: m(1, 4, 2), groups: ['faceNoEyes', 'tZone'], product: 'settingClay', families: ['clay'],
    dwell: { earliest: minutes(6), latest: minutes(12), sensitive: { earliest: minutes(4), latest: minutes(6) }, late: 'rewet' },
    needs: { soil: CLEAN, film: ['none'], skin: ['intact'] }, leaves: { film: 'mask', moisture: 'damp' }, load: { hundredths: 10, per: 'dwellRoot' },
    effects: { shine: 3, congestion: 2 }, hand: 'So that no skin shows, not thick.', cue: 'Dull at the edge, moist within; off before it cracks.', reason: 'takes up oil' }),
  row({ id: 'hydratingMask', name: 'Hydrating mask on', stage: 'mask', minutes: m(1, 4, 2), groups: ['faceNeckDecollete', 'face'], product: 'hydratingMask',
    dwell: { earliest: minutes(5), latest: minutes(15), sensitive: { earliest: minutes(5), latest: minutes(15) }, late: 'harmless' },
    needs: { soil: CLEAN, film: ['none', 'leaveOn'], }, leaves: { film: 'mask', moisture: 'damp', redness: -1 }, effects: { dehydration: 3, redness: 2, rest: 1, firmness: 1 },
    hand: 'Generous, thickest where the skin is thirsty.', cue: 'Note which zones drank it first.', reason: 'water where it is lacking' }),
  row({ id: 'maskOff', name: 'Mask off', stage: 'mask', minutes: m(1, 4, 1, 2), groups: ALL, needs: { film: ['mask'] }, leaves: { film: 'none', moisture: 'damp', warmth: 'neutral' }, effects: {},
    hand: 'Wet it first; sponges and cool water. Check nostril creases, brows, hairline, under-chin.', cue: 'The hand feels skin, not product.', reason: 'no barrier under the finish' }),
]

const FINISH_BASE = { soil: CLEAN, film: ['none', 'leaveOn'] } as const
const FINISHING: Technique[] = [
  row({ id: 'serum', name: 'Serum', stage: 'serum', minutes: m(0.5, 3, 1), groups: ALL, product: 'serum', needs: { ...FINISH_BASE, moisture: ['damp'], settled: true },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 2, settleMinutes: 0.5 }, effects: { dehydration: 2, dullness: 1 }, hand: 'Pressed in from the palms.', cue: 'Dry to the touch.', reason: 'thinnest layer first' }),
  row({ id: 'eyeProduct', name: 'Eye product', stage: 'eyes', minutes: m(0.5, 2, 0.5), groups: ['orbital'], product: 'eyeProduct', families: ['eyeWork'], needs: FINISH_BASE,
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 3, settleMinutes: 0.5 }, effects: { firmness: 1, dehydration: 1 }, hand: 'Ring finger, on the bone only, patted.', cue: 'Nothing on the lid.', reason: 'a thin, thirsty ring' }),
  row({ id: 'moisturiser', name: 'Moisturiser', stage: 'moisturise', minutes: m(0.5, 3, 1), groups: ALL, product: 'moisturiser', needs: { ...FINISH_BASE, settled: true },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 5, settleMinutes: 1 }, effects: { dehydration: 2, redness: 1 }, hand: 'Up and out; neck too.', cue: 'Sunk in, even sheen.', reason: 'locks in what was given' }),
  row({ id: 'facialOil', name: 'Facial oil', stage: 'oil', minutes: m(0.5, 2, 0.5), groups: ALL, product: 'facialOil', needs: { ...FINISH_BASE, moisture: ['damp'] },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 6, settleMinutes: 1 }, effects: { dehydration: 1, rest: 1 }, hand: 'Two to four drops, pressed on damp skin.', cue: 'Thin even sheen.', reason: 'keeps water in overnight' }),
  row({ id: 'sunProtection', name: 'Sun protection', stage: 'sun', minutes: m(0.5, 2, 1), groups: ALL, product: 'sunProtection', needs: { ...FINISH_BASE, settled: true },
    leaves: { film: 'leaveOn', moisture: 'dry', layer: 7, settleMinutes: 1 }, effects: {}, hand: 'Three fingertip units; round the eyes, ears, neck.', cue: 'No zone forgotten.', reason: 'fresh skin, daylight', source: 'ISO 24444 for the amount; common practice for the step' }),
  row({ id: 'close', name: 'Sit up, look together', stage: 'close', minutes: m(2, 6, 3), groups: ['body'], needs: { film: ['none', 'leaveOn'] }, leaves: {}, effects: {},
    hand: 'Sit up slowly, mirror, aftercare in hand.', cue: 'The client knows what to do tonight.', reason: 'the client knows what to do' }),
]

const ROWS = [...OPENING, ...PREPARING, ...EXFOLIATION, ...CALMING, ...MASKS, ...FINISHING]

export const TECHNIQUES = Object.freeze(Object.fromEntries(ROWS.map((r) => [r.id, r]))) as Readonly<Record<TechniqueId, Technique>>
