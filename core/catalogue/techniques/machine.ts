import type { Technique } from '../technique'
import { BARE, CLEAN, INTACT, m, row } from './row'

/** Deeper work with a device, and extraction. */
export const MACHINE: readonly Technique[] = [
  row({ id: 'tip', name: 'Diamond tip', stage: 'machine', minutes: m(5, 15, 8, 12), groups: ['faceNoEyes', 'tZone'], device: 'tipMachine', licence: 'machine',
    families: ['abrasion', 'vacuum'], passes: { usual: 1, limit: 2 }, setting: { label: 'Vacuum', unit: 'kPa', least: 8, start: 12, most: 30, step: 2 },
    needs: { soil: CLEAN, film: BARE, moisture: ['dry'], skin: INTACT }, leaves: { skin: 'abraded', redness: 1, film: 'none' }, load: { hundredths: 180, per: 'pass' },
    effects: { dullness: 3, congestion: 2, firmness: 1 }, hand: 'Skin taut between two fingers, outside first, nose last. Never a third pass.', cue: 'Even pink, not hot.', say: 'A hum, and a light pull.', reason: 'clears what hands cannot' }),
  row({ id: 'crystals', name: 'Crystals', stage: 'machine', minutes: m(5, 15, 8, 12), groups: ['faceNoEyes', 'tZone'], device: 'crystalMachine', licence: 'machine', families: ['abrasion', 'vacuum'], passes: { usual: 1, limit: 2 },
    setting: { label: 'Vacuum', unit: 'kPa', least: 8, start: 12, most: 30, step: 2 }, needs: { soil: CLEAN, film: BARE, moisture: ['dry'], skin: INTACT }, leaves: { skin: 'abraded', redness: 1, film: 'crystal' }, load: { hundredths: 190, per: 'pass' },
    effects: { dullness: 3, congestion: 2, firmness: 1 }, hand: 'Eyes covered, airway clear; skin taut, outside first, nose last. Cleanse again afterwards.', cue: 'Even pink, not hot; no grit left.', say: 'A hum, and fine sand.', reason: 'clears what hands cannot' }),
  row({ id: 'vacuumGlide', name: 'Vacuum glide', stage: 'machine', minutes: m(3, 5, 3, 5), groups: ['faceNeck', 'tZone'], device: 'tipMachine', licence: 'machine', families: ['vacuum'], setting: { label: 'Vacuum', unit: 'kPa', least: 5, start: 8, most: 20, step: 1 },
    product: 'massageOil', needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { film: 'oil', moisture: 'damp', redness: 1 }, load: { hundredths: 14, per: 'handsMinute' }, effects: { firmness: 2, rest: 1, congestion: 1 },
    hand: 'A little slip, skin taut, always moving; never on slack skin.', cue: 'Faint warmth, no ring left behind.', say: 'A light pull.', reason: 'moves fluid and loosens pores' }),
  row({ id: 'spatula', name: 'Ultrasonic spatula', stage: 'machine', minutes: m(5, 8, 5, 8), groups: ['faceNoEyes', 'tZone'], device: 'ultrasonicSpatula', families: ['ultrasound'], product: 'waterGel',
    needs: { soil: CLEAN, film: BARE, moisture: ['wet', 'damp'], skin: INTACT }, leaves: { film: 'medium', moisture: 'wet' }, load: { hundredths: 7, per: 'handsMinute' }, effects: { congestion: 2, dullness: 1, shine: 1 },
    hand: 'Blade angle low, skin wet all the time, towards the tip; nose and chin last.', cue: 'The spray stays clear.', say: 'A fine hiss and a cool spray.', reason: 'shakes pores clean, gentle enough for reddening skin' }),
  row({ id: 'disinfect', name: 'Disinfect the skin', stage: 'machine', part: 'follows', minutes: m(1, 2, 1), groups: ['faceNoEyes', 'cheeks'], product: 'skinDisinfectant', needs: { soil: CLEAN, film: BARE, skin: INTACT }, leaves: { moisture: 'dry', film: 'none' }, effects: {},
    hand: 'Sterile gauze, from the middle outwards; let it dry by itself.', cue: 'Dry, not wiped.', reason: 'before needles only clean is not enough' }),
  row({ id: 'needling', name: 'Needling, cosmetic', stage: 'machine', minutes: m(10, 20, 10, 15), groups: ['faceNoEyes', 'cheeks'], device: 'needlingPen', licence: 'needling025', families: ['needling'], after: 'disinfect', product: 'needlingSerum',
    setting: { label: 'Depth', unit: 'mm', least: 0.1, start: 0.15, most: 0.25, step: 0.05, more: { licence: 'needling05', most: 0.5 }, thin: ['forehead', 'temples', 'nose', 'mouth'] }, needs: { soil: CLEAN, film: BARE, moisture: ['dry'], skin: INTACT },
    leaves: { skin: 'punctured', redness: 1, film: 'leaveOn', moisture: 'damp', layer: 2, settleMinutes: 2 }, load: { hundredths: 900, per: 'setting' }, effects: { firmness: 3, dullness: 2 },
    hand: 'New sterile cartridge opened in front of the client; two to three directions, lift before you turn; not on lids, lips, moles, spots.', cue: 'Even pink. Blood or beading: stop.', say: 'A fine prickle.', reason: 'fine channels that close again within a day',
    source: 'FDA microneedling guidance 2020 and 21 CFR 878.4430 for what is a device (from memory); depths: common practice, the cautious end' }),
  row({ id: 'extraction', name: 'Extraction', stage: 'extraction', minutes: m(2, 10, 3, 5, 8), groups: ['tZone', 'faceNoEyes'], families: ['extraction'], needs: { soil: CLEAN, film: BARE, warmth: ['warm'], skin: INTACT }, leaves: { redness: 1, moisture: 'damp' }, load: { hundredths: 35, per: 'once' },
    effects: { congestion: 3 }, hand: 'Gloves, fingers in tissue or a loop; two or three tries a pore, then leave it. Never cysts.', cue: 'It comes easily or it stays.', say: 'A little pressure now.', reason: 'takes out what is ripe and softened' }),
]
