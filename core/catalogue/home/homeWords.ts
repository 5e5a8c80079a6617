import type { Season } from '../skin/season'

/** For how long something has been used at home: what is new begins slowly. */
export const HOME_SINCE = {
  new: 'new',
  weeks: 'some weeks',
  months: 'months or longer',
} as const
export type HomeSince = keyof typeof HOME_SINCE
export const HOME_SINCE_IDS = Object.keys(HOME_SINCE) as [HomeSince, ...HomeSince[]]

/** What the season asks of a routine. Common practice. */
export const SEASON_NOTES: Readonly<Partial<Record<Season, string>>> = {
  winter:
    'Frost and heated rooms: a richer cream, and the hydrating mask once more if it feels tight.',
  summer: 'Strong sun: sun protection again every two hours outdoors, a hat, and a lighter cream.',
}
/** Instead of a cleanser, on the morning after work that leaves the skin plain care only. */
export const RINSED_ONLY = 'lukewarm water'

/** What else is said where it fits. Common practice. */
export const HOME_NOTES = {
  away: 'Away from home: cleanser, cream and sun protection are enough; everything else waits.',
  outdoors: 'Outdoors all day: sun protection again every two hours, and after sweat or water.',
  calm: 'If it stings, itches or stays red: leave out what is new, only cleanser and cream, and call.',
  twice: 'Thirsty skin: toner or mist and serum in the morning and in the evening.',
  takeOff: 'Make-up or sun protection is worn: two cleanses in the evening.',
} as const
