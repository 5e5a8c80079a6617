/** Octets a content line has at most, its line break not counted (RFC 5545, section 3.1). */
export const LINE_OCTETS = 75
const octets = (text: string) => new TextEncoder().encode(text).length

/** Folds the lines of an iCalendar or vCard text anew: by octets, and never inside a character. */
export function foldLines(text: string): string {
  return text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map(folded)
    .join('\r\n')
}

function folded(line: string): string {
  const pieces: string[] = []
  let piece = ''
  let held = 0
  for (const letter of line) {
    const more = octets(letter)
    if (held + more > LINE_OCTETS) {
      pieces.push(piece)
      piece = ' '
      held = 1
    }
    piece += letter
    held += more
  }
  return [...pieces, piece].join('\r\n')
}
