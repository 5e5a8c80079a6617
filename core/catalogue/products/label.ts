/**
 * The ingredients of a label as it is printed on the box: names between commas, semicolons, bullets
 * or line ends, in the order of the label (Regulation (EC) 1223/2009, article 19: falling weight).
 * A comma between digits belongs to a name ("1,2-Hexanediol").
 */
export function readLabel(printed: string): string[] {
  return printed
    .replace(/^\s*(ingredients|inci|contains)\s*[:.]/i, '')
    .split(/[;•·\n]|,(?!\d)|(?<!\d),/u)
    .map((name) => name.replace(/\s+/g, ' ').replace(/\.$/, '').trim())
    .filter((name) => name.length > 0)
}
