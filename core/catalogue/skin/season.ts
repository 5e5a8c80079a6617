/** The season as the skin meets it: cold dry air, or strong sun. */
export type Season = 'winter' | 'spring' | 'summer' | 'autumn'

/**
 * Time zones of the southern temperate lands, by how they begin; there the months are turned round.
 */
const SOUTH = [
  'Australia/',
  'Antarctica/',
  'Pacific/Auckland',
  'America/Argentina/',
  'America/Santiago',
  'America/Montevideo',
  'America/Sao_Paulo',
  'Africa/Johannesburg',
  'Africa/Maseru',
  'Africa/Windhoek',
] as const
const BY_MONTH: readonly Season[] = [
  'winter',
  'winter',
  'spring',
  'spring',
  'spring',
  'summer',
  'summer',
  'summer',
  'autumn',
  'autumn',
  'autumn',
  'winter',
]

/** @param day ISO day @param timeZone of the practice, as the tz database names it */
export function seasonOf(day: string, timeZone: string): Season {
  const month = Number(day.slice(5, 7)) - 1
  return (
    BY_MONTH[SOUTH.some((zone) => timeZone.startsWith(zone)) ? (month + 6) % 12 : month] ?? 'spring'
  )
}
