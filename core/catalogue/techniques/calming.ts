import type { Technique } from '../technique'
import { BARE, CLEAN, m, rests, row } from './row'

/** What settles the skin after the work. */
export const CALMING: readonly Technique[] = [
  row({ id: 'highFrequency', name: 'High frequency', stage: 'calm', minutes: m(2, 8, 3, 5), groups: ['faceNoEyes', 'tZone'], device: 'highFrequencyWand', licence: 'current',
    families: ['highFrequency'], setting: { label: 'Level', unit: '', least: 1, start: 1, most: 6, step: 1 },
    needs: { soil: CLEAN, film: ['none', 'leaveOn'] }, leaves: { redness: 0 }, load: { hundredths: 2, per: 'handsMinute' }, effects: { congestion: 2, shine: 1 },
    hand: 'Violet for breakouts, orange for mature skin. Finger on the glass while landing and lifting; always moving; a spark on a spot for seconds only.', cue: 'No zone warmer than another.', say: 'A buzz and a smell like after rain.', reason: 'settles spots after the work' }),
  row({ id: 'cold', name: 'Cold globes', stage: 'calm', minutes: m(1, 3, 2), groups: ['face'], families: ['cold'],
    needs: {}, leaves: { warmth: 'cool', redness: -1 }, effects: { redness: 2, rest: 1 }, hand: 'Wrapped, moving, never bare ice on one spot.', cue: 'Pink fades.', say: 'Cold now.', reason: 'calms by cool' }),
  row({ id: 'blueLamp', name: 'Blue lamp, 415 nm', stage: 'calm', minutes: m(0.5, 1, 0.5), groups: ['face'], device: 'lamp', families: ['lamp'], dwell: rests(10, 20, [10, 15], 'removeNow'), lift: 'lampOff', setting: { label: 'Irradiance', unit: 'mW/cm²', least: 10, start: 30, most: 60, step: 5 },
    needs: { soil: CLEAN, film: BARE }, leaves: {}, effects: { congestion: 2, shine: 1 }, hand: 'Goggles on both of you; lamp at its distance; stay in the room.', cue: 'The dose is reached.', say: 'Close your eyes; the light is bright.', reason: 'fewer breakouts for a while' }),
  row({ id: 'redLamp', name: 'Red lamp, 633 and 830 nm', stage: 'calm', minutes: m(0.5, 1, 0.5), groups: ['face'], device: 'lamp', families: ['lamp'], dwell: rests(10, 20, [10, 15], 'removeNow'), lift: 'lampOff', setting: { label: 'Irradiance', unit: 'mW/cm²', least: 10, start: 40, most: 100, step: 5 },
    needs: { soil: CLEAN, film: BARE }, leaves: { redness: -1 }, effects: { firmness: 2, redness: 2, rest: 1 }, hand: 'Goggles on both of you; lamp at its distance; stay in the room.', cue: 'The dose is reached.', say: 'Close your eyes; warm red light.', reason: 'calms after the work' }),
  row({ id: 'lampOff', name: 'Lamp off', stage: 'calm', part: 'follows', minutes: m(0.5, 1, 0.5), groups: ['face'], lifts: true, needs: {}, leaves: {}, effects: {},
    hand: 'Lamp away, goggles off, let the eyes get used to the room.', cue: 'Eyes at ease.', reason: 'the dose is enough' }),
]
