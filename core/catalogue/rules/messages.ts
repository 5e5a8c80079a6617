/** Messages go out between these hours, by the clock of the house. House values. */
export const MESSAGE_HOURS = { from: 9, to: 20 } as const
/** Days after which a question that could not be sent is not sent any more. */
export const QUESTION_DAYS = 2
/** Minutes until the next try, try by try; after the last it is given up and said on Day. */
export const TRY_AGAIN_MINUTES: readonly number[] = [1, 5, 15, 60, 240]

/** What a message says: the house and the link, nothing of skin or health. */
export const MESSAGE_WORDS = {
  question: (house: string, link: string) => `${house} has a short question for you: ${link}`,
  card: (house: string, link: string) => `Your card from ${house}: ${link}`,
} as const
