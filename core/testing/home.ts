import { aftercareCard } from '../aftercare/card'
import { HOME_REGIONS } from '../catalogue/consultation/home'
import type { NightId } from '../catalogue/home/nightRows'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { NOTHING_ASKED, type HomeAsked, type HomeWish } from '../home/asked'
import { routineFor, type HomeQuestion } from '../home/routine'
import type { Poured } from '../load/ledger'
import { addDays } from '../screening/asking/days'
import { planInput, TODAY } from './fixtures'

export const ZONE = 'Europe/Oslo'
export const NOON = Date.parse(`${TODAY}T12:00:00Z`)

/** A question of home after a visit in which this was done. */
export function homeQuestion(more: {
  asked?: Partial<HomeAsked>
  nights?: HomeWish[]
  vitaminC?: boolean
  done?: TechniqueId[]
  input?: HomeQuestion['input']
  weeks?: number
  poured?: Poured[]
}): HomeQuestion {
  const { done = [], input = planInput(), weeks = 4 } = more
  const card = aftercareCard(done, false, NOON)
  return {
    asked: { ...NOTHING_ASKED, ...more.asked },
    wishes: { nights: more.nights ?? [], vitaminC: more.vitaminC ?? false, named: {} },
    input,
    until: addDays(TODAY, weeks * 7),
    timeZone: ZONE,
    card,
    work: {
      day: TODAY,
      families: done.flatMap((technique) => TECHNIQUES[technique].families),
      regions: HOME_REGIONS,
    },
    poured: more.poured ?? [],
  }
}
export const wish = (id: NightId, perWeek: number, strength: HomeWish['strength'] = 'usual') => ({
  ...{ id, perWeek, strength },
})
export const since = (id: NightId, perWeek: number) => ({
  [id]: { perWeek, strength: 'usual', since: 'months' } as const,
})
export const nightsOf = (asked: HomeQuestion, id: NightId): number[] =>
  routineFor(asked).nights.flatMap((night, at) => (night.id === id ? [at] : []))
