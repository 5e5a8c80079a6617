import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MESSAGE_WORDS, PRIVATE_WORDS } from '../catalogue/rules/messages'
import { messageText, privateWords } from './messages'

const LINK = 'https://house.example/how#abc'

describe('what a message says', () => {
  it('always holds the link once, in its place or at the end', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('question' as const, 'card' as const),
        fc.string({ maxLength: 60 }).filter((own) => !own.includes('{')),
        fc.boolean(),
        (kind, own, placed) => {
          const words = placed ? `${own} {link}` : own
          expect(messageText(kind, words, 'House', LINK).split(LINK)).toHaveLength(2)
        },
      ),
    )
  })
  it('says the house by name, in its own words or the usual ones', () => {
    expect(messageText('question', '', 'Linden', LINK)).toBe(
      `Linden has a short question for you: ${LINK}`,
    )
    expect(messageText('card', 'From {house} with care: {link}', 'Linden', LINK)).toBe(
      `From Linden with care: ${LINK}`,
    )
  })
  it('knows a word of skin or health in any case, and the usual words hold none', () => {
    for (const start of PRIVATE_WORDS)
      expect(privateWords(`How is it? ${start.toUpperCase()}ing`)).toHaveLength(1)
    for (const words of Object.values(MESSAGE_WORDS)) expect(privateWords(words)).toEqual([])
    expect(privateWords('Greetings from us, see you soon')).toEqual([])
  })
})
