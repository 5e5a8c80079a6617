import type { IngredientId } from '../products/ingredients'

/** What a client likes and how they live: kept on the file, said again at each visit. */
export type PreferenceId =
  | 'pressure'
  | 'talk'
  | 'scent'
  | 'lying'
  | 'photos'
  | 'air'
  | 'covering'
  | 'travel'
  | 'sleep'
  | 'jaw'
interface Preference {
  id: PreferenceId
  name: string
  choices: readonly {
    value: string
    word: string
    /** What to do about it, where it needs something done. */ does?: string
    /** Products with this are not taken, by this rule. */ avoids?: {
      family: IngredientId
      rule: string
    }
  }[]
  /** Asked as comfort, or as daily life. */
  about: 'comfort' | 'life'
}
const preference = (
  id: PreferenceId,
  about: Preference['about'],
  name: string,
  ...choices: [
    value: string,
    word: string,
    does?: string,
    avoids?: { family: IngredientId; rule: string },
  ][]
): Preference => ({
  id,
  name,
  about,
  choices: choices.map(([value, word, does, avoids]) => ({
    value,
    word,
    ...(does === undefined ? {} : { does }),
    ...(avoids ? { avoids } : {}),
  })),
})

export const PREFERENCES: readonly Preference[] = [
  preference(
    'pressure',
    'comfort',
    'Pressure',
    ['light', 'light', 'Light hands throughout.'],
    ['medium', 'medium'],
    ['firm', 'firm', 'Firm pressure is welcome at shoulders and scalp.'],
  ),
  preference(
    'talk',
    'comfort',
    'Talk',
    ['quiet', 'silence', 'Silence: say only what must be said.'],
    ['some', 'a little'],
    ['free', 'likes to talk'],
  ),
  preference(
    'scent',
    'comfort',
    'Scent',
    [
      'none',
      'none',
      'Nothing scented: no fragrance in any product, no candle.',
      { family: 'fragrance', rule: 'no-scent' },
    ],
    ['any', 'welcome'],
  ),
  preference(
    'lying',
    'comfort',
    'Lying',
    ['flat', 'flat'],
    ['raised', 'half sitting', 'Couch half up, pillow at hand.'],
    ['side', 'on the side', 'Lies on the side: mirror the couch and the light.'],
  ),
  preference(
    'photos',
    'comfort',
    'Photographs',
    ['no', 'no', 'No photographs.'],
    ['file', 'for the file only'],
  ),
  preference(
    'air',
    'life',
    'Days are spent in',
    ['town', 'town air', 'City grime: cleanse twice.'],
    ['heated', 'heated rooms', 'Dry air: rounds of mist before the cream.'],
    ['outdoors', 'wind and sun', 'Wind and sun: seal well, sun protection.'],
    ['kitchen', 'heat and steam'],
  ),
  preference(
    'covering',
    'life',
    'Covers the face with',
    ['none', 'nothing'],
    ['mask', 'a mask', 'Mask wear: look at chin, jaw and the nose bridge.'],
    ['helmet', 'a helmet or strap', 'Helmet: look at forehead and jaw line.'],
  ),
  preference(
    'jaw',
    'life',
    'Jaw and chin',
    ['calm', 'calm'],
    [
      'cycle',
      'break out with the cycle',
      'Expected before the period: not chased. Offer to time the visits.',
    ],
  ),
  preference(
    'sleep',
    'life',
    'Sleep lately',
    ['enough', 'enough'],
    ['late', 'late nights', 'Late nights: calm work and drainage, nothing strong.'],
  ),
  preference(
    'travel',
    'life',
    'Travel',
    ['none', 'none soon'],
    ['flown', 'has just flown', 'After a flight: two to three rounds of mist, humectant, seal.'],
    ['soon', 'flies within two days', 'Flies soon: nothing that leaves it pink.'],
  ),
]
export type Preferences = Partial<Record<PreferenceId, string>>

/** What is kept off the skin because the client likes it so. */
export const avoidedBy = (chosen: Preferences): { family: IngredientId; rule: string }[] =>
  PREFERENCES.flatMap(
    (asked) => asked.choices.find((choice) => choice.value === chosen[asked.id])?.avoids ?? [],
  )

/** What to do about what was chosen, in the order asked. */
export function preferenceNotes(chosen: Preferences): { id: PreferenceId; text: string }[] {
  return PREFERENCES.flatMap((asked) => {
    const does = asked.choices.find((choice) => choice.value === chosen[asked.id])?.does
    return does === undefined ? [] : [{ id: asked.id, text: does }]
  })
}
