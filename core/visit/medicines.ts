/**
 * The medicines on file after something was told in Ask. What was not touched there leaves the file
 * as a colleague wrote it meanwhile; where both wrote, both are kept: a medicine is never lost.
 * @param onFile as the file holds them now
 * @param seen as Ask showed them when it was opened; without it what is told simply counts
 * @param told as they stand in Ask
 */
export function medicinesAfter(onFile: string, seen: string | undefined, told: string): string {
  if (seen === undefined || seen === onFile) return told
  if (told === seen || onFile.includes(told.trim())) return onFile
  return told.includes(onFile.trim()) ? told : `${told}\n${onFile}`
}
