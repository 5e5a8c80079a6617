import { COMMON_PRACTICE } from '../kinds'

/** How far a sentence goes beyond what cosmetic care can do. */
export type ClaimGrade = 'doubtful' | 'false'
/** Words of a claim, why they are one, and what to say instead. */
export interface ClaimRow {
  id: string
  grade: ClaimGrade
  /** Whole words, in small letters; a cut word ends in a star. */
  words: readonly string[]
  why: string
  instead: string
  source: string
}
const claim = (
  id: string,
  grade: ClaimGrade,
  words: readonly string[],
  why: string,
  instead: string,
  source: string = COMMON_PRACTICE,
): ClaimRow => ({ ...{ id, grade, words, why, instead, source } })
const EU_CLAIMS =
  'Regulation (EU) 655/2013 on claims for cosmetic products: truthful, with evidence (value from memory)'

export const CLAIMS: readonly ClaimRow[] = [
  claim(
    'detox',
    'false',
    ['detox*', 'toxin*', 'removes toxins', 'purge toxins'],
    'skin holds no toxins that a treatment could draw from it',
    'cleanses the surface of the skin',
  ),
  claim(
    'pores',
    'false',
    [
      'closes pores',
      'close pores',
      'close the pores',
      'opens pores',
      'open the pores',
      'open up the pores',
      'shrinks pores',
    ],
    'pores have no muscle: they neither open nor close',
    'lets pores look finer',
  ),
  claim(
    'cures',
    'false',
    [
      'cure',
      'cures',
      'cured',
      'heals acne',
      'heals eczema',
      'heals rosacea',
      'treats acne',
      'treats eczema',
      'treats rosacea',
    ],
    'curing an illness is a doctor’s work',
    'cares for skin that is prone to it',
    EU_CLAIMS,
  ),
  claim(
    'lifts',
    'false',
    [
      'lifts permanently',
      'permanent lift',
      'permanently lifts',
      'permanently firm*',
      'erases wrinkles',
      'removes wrinkles',
      'removes scars',
      'erases scars',
    ],
    'what a treatment firms or smooths fades within days',
    'lets the skin look firmer for a while',
    EU_CLAIMS,
  ),
  claim(
    'lymph',
    'false',
    ['cleanses the lymph', 'lymph cleans*', 'flushes the lymph', 'drains toxins'],
    'massage moves fluid; it cleanses nothing',
    'eases puffiness for some hours',
  ),
  claim(
    'deep-layers',
    'doubtful',
    [
      'deepest layers',
      'down to the dermis',
      'cell renewal',
      'renews cells',
      'rejuvenat*',
      'anti-aging',
      'anti-ageing',
      'reverses ageing',
      'reverses aging',
    ],
    'a cosmetic works on the surface',
    'smooths and softens the surface',
    EU_CLAIMS,
  ),
  claim(
    'collagen',
    'doubtful',
    ['builds collagen', 'boosts collagen', 'stimulates collagen', 'new collagen'],
    'that is a claim on the body which needs proof',
    'lets the skin look smoother',
    EU_CLAIMS,
  ),
  claim(
    'miracle',
    'doubtful',
    [
      'miracle',
      'guaranteed',
      'guarantee',
      'instantly younger',
      'forever',
      'no side effects',
      '100 % safe',
      'completely safe',
    ],
    'nobody can promise it',
    'usually seen',
    EU_CLAIMS,
  ),
  claim(
    'medical',
    'doubtful',
    ['medical grade', 'clinically proven', 'dermatologist approved', 'hypoallergenic'],
    'it needs a study that is named',
    'tested by us on our clients',
    EU_CLAIMS,
  ),
  claim(
    'free-of',
    'doubtful',
    ['chemical free', 'chemical-free', 'free of chemicals', 'non-toxic'],
    'everything is made of chemicals',
    'without fragrance',
    EU_CLAIMS,
  ),
]
/** "wrinkles down 40 %": a number that no source stands beside. */
export const PERCENT_CLAIM: Omit<ClaimRow, 'words'> = {
  id: 'percent',
  grade: 'doubtful',
  why: 'a percentage needs the study it comes from',
  instead: 'leave the number out, or name the study',
  source: EU_CLAIMS,
}
/** Words beside a percentage that say where it comes from, or that it is no result at all. */
export const PERCENT_FREED: readonly string[] = [
  'study',
  'et al',
  'off',
  'discount',
  'source',
  'vat',
]
