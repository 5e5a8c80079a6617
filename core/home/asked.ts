import { NIGHT_IDS, NIGHTS, type HomeStrength, type NightId } from '../catalogue/home/nightRows'
import type { HomeSince } from '../catalogue/home/homeWords'
import {
  FEWEST_STEPS,
  USUAL_STEPS,
  type HomeStepCount,
  type HomeStepId,
} from '../catalogue/home/homeSteps'
import type { KeptLevel, PackLeft } from '../catalogue/rules/adherence'
import type { Answers } from '../screening/asking/answers'
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
  /** An oil, a balm or a milk takes the day off in the evening: cleansing like the room's. */
  oilAtHome: boolean
  /** What is left of the packs of the last routine. */
  packs: Partial<Record<HomeStepId, PackLeft>>
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
/** How something is used of which no more is said. */
export const USUAL_USE: HomeUse = { perWeek: 0, strength: 'usual', since: 'weeks' }
/** Nothing said yet: the careful start of a form. */
export const NOTHING_ASKED: HomeAsked = {
  steps: USUAL_STEPS,
  wearsCover: true,
  uses: {},
  oilAtHome: false,
  packs: {},
  vitaminC: false,
  usesNow: '',
  shaves: [],
  away: null,
  sunDays: [],
  outdoors: false,
  phased: null,
}

/**
 * Home as it is used, with what the consultation has asked already: how often a retinoid, an acid or
 * a scrub is used and how strong it is are asked there, once, and pour into the basins from there. Unsure, or no rhythm
 * named, counts as one evening a week: the cautious side.
 * @returns the same, with the rhythm of the answers where there is one
 */
export function asUsed(asked: HomeAsked, answers: Answers): HomeAsked {
  const uses = { ...asked.uses }
  for (const id of NIGHT_IDS) {
    const { finding } = NIGHTS[id]
    const answer = finding && answers[finding]
    if (!answer) continue
    const perWeek = answer.say === 'no' ? 0 : Math.ceil(answer.perWeek ?? (uses[id]?.perWeek || 1))
    const strength = answer.strength ?? uses[id]?.strength ?? USUAL_USE.strength
    uses[id] = { ...(uses[id] ?? USUAL_USE), perWeek, strength }
  }
  return { ...asked, uses }
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
 * acids and retinoids are never offered: they are asked for. Where the last routine was not kept,
 * nothing is added.
 */
export function offeredWishes(
  asked: HomeAsked,
  profile: Profile,
  kept: KeptLevel = 'unknown',
): HomeWishes {
  const nights = NIGHT_IDS.flatMap((id): HomeWish[] => {
    const used = asked.uses[id]
    if (used && used.perWeek > 0)
      return [
        { id, perWeek: Math.min(used.perWeek, NIGHTS[id].mostAWeek), strength: used.strength },
      ]
    const { forSkin } = NIGHTS[id]
    const fits =
      kept !== 'not' &&
      forSkin !== undefined &&
      (forSkin.types.includes(profile.type) ||
        forSkin.conditions.some((own) => profile.conditions.includes(own)))
    return fits ? [{ id, perWeek: forSkin.perWeek, strength: 'usual' }] : []
  })
  return { nights, vitaminC: asked.vitaminC, named: {} }
}

/** Steps that are offered next: the fewest where the last routine was not kept. */
export const offeredSteps = ({ steps }: HomeAsked, kept: KeptLevel): HomeStepCount =>
  kept === 'not' ? FEWEST_STEPS : steps

/** Whether it is not used yet: it begins slowly, and a week from any other new thing. */
export const isNew = (asked: HomeAsked, id: NightId): boolean => {
  const used = asked.uses[id]
  return used === undefined || used.perWeek === 0 || used.since === 'new'
}
