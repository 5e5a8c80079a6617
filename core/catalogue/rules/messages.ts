/** Messages go out between these hours, by the clock of the house. House values. */
export const MESSAGE_HOURS = { from: 9, to: 20 } as const
/** Days after which a question that could not be sent is not sent any more. */
export const QUESTION_DAYS = 2
/** Minutes until the next try, try by try; after the last it is given up and said on Day. */
export const TRY_AGAIN_MINUTES: readonly number[] = [1, 5, 15, 60, 240]

/** Where the name of the house and the link stand in the words of a message. */
export const MESSAGE_PLACES = { house: '{house}', link: '{link}' } as const
/**
 * What a message says where a house has no words of its own: the house and the link, nothing of skin
 * or health.
 */
export const MESSAGE_WORDS = {
  question: '{house} has a short question for you: {link}',
  card: 'Your card from {house}: {link}',
} as const
export type MessageKind = keyof typeof MESSAGE_WORDS
/** The most that a house may write itself: with its name and a link it still fits one short message. */
export const MESSAGE_LETTERS = 120
/**
 * Beginnings of words that tell of skin or health: a message may be read over a shoulder. Common
 * practice.
 */
export const PRIVATE_WORDS: readonly string[] = [
  ...['skin', 'face', 'facial', 'acne', 'spot', 'rash', 'red', 'itch', 'swell', 'blister', 'burn'],
  ...['acid', 'peel', 'needl', 'mask', 'scrub', 'retin', 'abras', 'extract', 'treat', 'therap'],
  ...['react', 'allerg', 'doctor', 'medic', 'health', 'heal', 'aftercare', 'eczema', 'rosacea'],
]
