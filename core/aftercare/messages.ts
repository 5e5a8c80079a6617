import {
  MESSAGE_PLACES,
  MESSAGE_WORDS,
  PRIVATE_WORDS,
  type MessageKind,
} from '../catalogue/rules/messages'

/** Words of a house's own text that tell of skin or health, as they are written. */
export const privateWords = (text: string): string[] =>
  (text.match(/\p{L}+/gu) ?? []).filter((word) =>
    PRIVATE_WORDS.some((start) => word.toLowerCase().startsWith(start)),
  )

/**
 * What a message says: the house's own words where it has some, with its name and the link in their
 * places; a link that has no place stands at the end.
 */
export function messageText(kind: MessageKind, own: string, house: string, link: string): string {
  const words = own.trim() === '' ? MESSAGE_WORDS[kind] : own.trim()
  const placed = words.includes(MESSAGE_PLACES.link) ? words : `${words} ${MESSAGE_PLACES.link}`
  return placed.split(MESSAGE_PLACES.house).join(house).split(MESSAGE_PLACES.link).join(link)
}
