import { EXFOLIATING, type FamilyId } from '../kinds'

/** What work and bottles do to a zone (common practice): a bar forbids deeds, not techniques by name. */
export const DEEDS = {
  touches: { name: 'touches', families: ['touch'] },
  rubs: { name: 'rubs', families: ['friction', 'abrasion', 'blade', 'browBlade'] },
  presses: { name: 'presses', families: ['massage', 'extraction'] },
  pulls: { name: 'pulls', families: ['vacuum', 'extraction'] },
  pierces: { name: 'pierces', families: ['needling'] },
  heats: { name: 'heats', families: ['heat', 'vapour'] },
  cools: { name: 'cools', families: ['cold'] },
  current: { name: 'carries current', families: ['highFrequency', 'microcurrent'] },
  shines: { name: 'shines', families: ['lamp'] },
  takesOff: { name: 'takes off', families: [...EXFOLIATING, 'peel', 'ultrasound'] },
  covers: { name: 'covers, dries', families: ['covering', 'clay'] },
  oils: { name: 'oils', families: ['oil'] },
  cares: { name: 'lays on more than a cream', families: ['care'] },
  leavesOn: { name: 'leaves an active on', families: ['retinoid', 'leaveOnActive', 'alcohol'] },
} as const satisfies Readonly<Record<string, { name: string; families: readonly FamilyId[] }>>
export type DeedId = keyof typeof DEEDS
export const DEED_IDS = Object.keys(DEEDS) as readonly DeedId[]
