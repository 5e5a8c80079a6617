/**
 * Things that are counted on a screen, one of them and several. Every plural stands here, so that
 * another language finds them in one place.
 */
const NOUNS = {
  bottle: ['bottle', 'bottles'],
  cleanse: ['cleanse', 'cleanses'],
  client: ['client', 'clients'],
  coat: ['coat', 'coats'],
  direction: ['direction', 'directions'],
  'draft or tap has': ['draft or tap has', 'drafts or taps have'],
  drop: ['drop', 'drops'],
  finding: ['finding', 'findings'],
  glide: ['glide', 'glides'],
  ingredient: ['ingredient', 'ingredients'],
  kind: ['kind', 'kinds'],
  'new product': ['new product', 'new products'],
  pack: ['pack', 'packs'],
  pad: ['pad', 'pads'],
  part: ['part', 'parts'],
  pass: ['pass', 'passes'],
  person: ['person', 'people'],
  product: ['product', 'products'],
  'product is': ['product is', 'products are'],
  question: ['question', 'questions'],
  'question is': ['question is', 'questions are'],
  'question is open': ['question is open', 'questions are open'],
  reaction: ['reaction', 'reactions'],
  round: ['round', 'rounds'],
  row: ['row', 'rows'],
  'seal valid': ['seal valid', 'seals, all valid'],
  step: ['step', 'steps'],
  'step changes': ['step changes', 'steps change'],
  stroke: ['stroke', 'strokes'],
  tap: ['tap', 'taps'],
  time: ['time', 'times'],
  try: ['try', 'tries'],
  visit: ['visit', 'visits'],
} as const
export type Noun = keyof typeof NOUNS

const LANGUAGE = 'en'
const NUMBER = new Intl.NumberFormat(LANGUAGE)
const PLURAL = new Intl.PluralRules(LANGUAGE)

/**
 * A count with its noun, by the language's own rule: "1 visit", "1,200 visits".
 * @param count a whole number
 */
export const howMany = (count: number, noun: Noun): string =>
  `${NUMBER.format(count)} ${nounOf(count, noun)}`

/** The noun alone, where the number is shown beside it. */
export const nounOf = (count: number, noun: Noun): string =>
  NOUNS[noun][PLURAL.select(count) === 'one' ? 0 : 1]
