/**
 * A number as it is typed, with a point or a comma: nothing where nothing is typed, and the text itself
 * where it is no number, so that the server says at its field what may stand there.
 */
export function typedNumber(text: string): number | string | undefined {
  const plain = text.trim().replace(',', '.')
  if (plain === '') return undefined
  return Number.isNaN(Number(plain)) ? plain : Number(plain)
}
/** A number as it is shown in its field. */
export const numberText = (number: number | undefined): string =>
  number === undefined ? '' : String(number)
