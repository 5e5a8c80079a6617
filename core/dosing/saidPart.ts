/** "1½", "¼": a number of measures with the sign of its part. */
export const saidPart = (count: number): string =>
  String(count)
    .replace('.25', '¼')
    .replace('.5', '½')
    .replace('.75', '¾')
    .replace(/^0(?=[¼½¾])/, '')
