import { NIGHT_IDS, NIGHTS, type HomeStrength, type NightId } from '../catalogue/home/nightRows'
import type { HomeSince } from '../catalogue/home/homeWords'
import { USUAL_STEPS, type HomeStepCount } from '../catalogue/home/homeSteps'
import type { Profile } from '../skin/profile'

/** How something is used at home now. */
export interface HomeUse {
  perWeek: number
  strength: HomeStrength
  since: HomeSince
}
/** What a client says of home before a routine is written: what is used, and what they will do. */
export interface HomeAsked {
  /** Steps they will really do, each time. */
  steps: HomeStepCount
  /** Make-up or sun protection is worn most days. */
  wearsCover: boolean
  uses: Partial<Record<NightId, HomeUse>>
  /** Vitamin C in the morning: used already. */
  vitaminC: boolean
  /** What else is used, in their own words. */
  usesNow: string
  /** Days of the week on whose evening they shave: 1 is Monday, 7 is Sunday. */
  shaves: number[]
  /** First and last day away from home. */
  away: { from: string; to: string } | null
  /** Days of a flight or of long sun. */
  sunDays: string[]
  outdoors: boolean
  /** A serum that is taken a month on, a month off, since when. */
  phased: { name: string; since: string } | null
}
/** Nothing said yet: the careful start of a form. */
export const NOTHING_ASKED: HomeAsked = {
  steps: USUAL_STEPS,
  wearsCover: true,
  uses: {},
  vitaminC: false,
  usesNow: '',
  shaves: [],
  away: null,
  sunDays: [],
  outdoors: false,
  phased: null,
}

/** What the routine should hold beside the care of every day, what matters most first. */
export interface HomeWish {
  id: NightId
  perWeek: number
  strength: HomeStrength
}
export interface HomeWishes {
  nights: HomeWish[]
  vitaminC: boolean
  /** A product by the step it is for; null for its plain kind. Left out, the best that fits. */
  named: Readonly<Record<string, string | null>>
}

/**
 * A first offer: what is used goes on as often as it may, and what this skin gains by is added. New
 * acids and retinoids are never offered: they are asked for.
 */
export function offeredWishes(asked: HomeAsked, profile: Profile): HomeWishes {
  const nights = NIGHT_IDS.flatMap((id): HomeWish[] => {
    const used = asked.uses[id]
    if (used && used.perWeek > 0)
      return [
        { id, perWeek: Math.min(used.perWeek, NIGHTS[id].mostAWeek), strength: used.strength },
      ]
    const { forSkin } = NIGHTS[id]
    const fits =
      forSkin !== undefined &&
      (forSkin.types.includes(profile.type) ||
        forSkin.conditions.some((own) => profile.conditions.includes(own)))
    return fits ? [{ id, perWeek: forSkin.perWeek, strength: 'usual' }] : []
  })
  return { nights, vitaminC: asked.vitaminC, named: {} }
}

/** Whether it is not used yet: it begins slowly, and a week from any other new thing. */
export const isNew = (asked: HomeAsked, id: NightId): boolean => {
  const used = asked.uses[id]
  return used === undefined || used.perWeek === 0 || used.since === 'new'
}
