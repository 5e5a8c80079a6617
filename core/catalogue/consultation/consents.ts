import type { FamilyId } from '../kinds'

/**
 * What a client signs for: families of techniques, each for as long as the house takes a signature
 * to stand. House periods.
 */
export const CONSENT_IDS = ['care', 'exfoliation', 'machine', 'current', 'needling'] as const
export type ConsentId = (typeof CONSENT_IDS)[number]
/** What is signed, whatever it is signed for. */
export const CONSENT_SENTENCE =
  'I have answered to the best of my knowledge. I know what is planned today and may stop it at any time.'
interface ConsentKind {
  id: ConsentId
  name: string
  sentence: string
  days: number
  families: readonly FamilyId[]
  /** Ticked by itself, never along with the others. */ alone?: true
}
const kind = (
  id: ConsentId,
  name: string,
  sentence: string,
  days: number,
  families: readonly FamilyId[],
  alone?: true,
): ConsentKind => ({
  id,
  name,
  sentence,
  days,
  families,
  ...(alone ? { alone } : {}),
})

/** `care` stands for all work that no other kind names. */
export const CONSENTS: Readonly<Record<ConsentId, ConsentKind>> = {
  care: kind(
    'care',
    'Care by hand',
    'cleansing, steam, masks, massage and finishing layers',
    365,
    [],
  ),
  exfoliation: kind(
    'exfoliation',
    'Exfoliation',
    'grains, enzymes, acids, blade and extraction: pink for an hour, sun protection after',
    365,
    ['friction', 'enzyme', 'acid', 'blade', 'extraction'],
  ),
  machine: kind(
    'machine',
    'Microdermabrasion',
    'tip and vacuum: pink for a day, no sun, no actives for some days',
    183,
    ['abrasion', 'vacuum'],
  ),
  current: kind(
    'current',
    'Current',
    'high frequency and microcurrent: piercings out, no pacemaker, not in pregnancy',
    183,
    ['highFrequency', 'microcurrent'],
  ),
  needling: kind(
    'needling',
    'Needling',
    'fine needles: red for a day or two, small risk of marks and infection',
    183,
    ['needling'],
    true,
  ),
}
