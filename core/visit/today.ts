import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { avoidedBy, type Preferences } from '../catalogue/consultation/preferences'
import { INGREDIENTS } from '../catalogue/products/ingredients'
import type { StepDownRow } from '../catalogue/skin/stepDown'
import type { RegionId } from '../face/zones'
import { pouredAtHome } from '../load/home'
import { halfLifeHours, remainingAt } from '../load/ledger'
import { restBars, type PastWork } from '../load/rest'
import { stepDownBars, steppedDown, stepsDown } from '../load/stepDown'
import type { Answers } from '../screening/asking/answers'
import { saidOfMedicines, withMedicines } from '../screening/asking/medicines'
import { barsAfterBreakout, barsFromBreakout } from '../screening/verdict/breakout'
import { tightened } from '../screening/verdict/houseRules'
import { lifted } from '../screening/verdict/lifts'
import { patchBar, patchState } from '../screening/products/patch'
import { REACTED_RULE, reactionBars, suspicion } from '../screening/products/reactions'
import { barsFromSkin, withSkin } from '../screening/verdict/skin'
import { screen, type Bar, type Verdict } from '../screening/verdict/verdict'
import type { WholeReading } from '../skin/notes'
import { deriveProfile, type Profile } from '../skin/profile'
import { overlay, type Readings } from '../skin/readings'
import type { VisitBundle } from './bundle'
import { reactionsNow } from './reactionsNow'

/** What holds on the day of a visit: the one answer for every stop of it. */
interface Today {
  /** The bare reading laid over the made-up one: what is known of the skin. */
  readings: Readings
  profile: Profile
  /** What the answers alone leave, by the table as this house works it. */
  asked: Verdict
  /** What earlier visits keep from being done, reactions among them. */
  earlier: readonly Bar[]
  /** Answers, skin and earlier visits together, and how they limit the work. */
  verdict: Verdict
  /** Bottles under suspicion of a reaction, each with why it stays on the shelf. */
  suspected: Readonly<Record<string, string>>
  /** Bottles that wait for a patch test, or reacted at one, each with why. */
  patch: Readonly<Record<string, string>>
  /** What is still in each basin from earlier visits and from home, hundredths. */
  residual: Readonly<Record<RegionId, number>>
}

/** @param more what is being changed on the screen and is not kept yet */
export function todayOf(
  bundle: VisitBundle,
  more: { answers?: Answers; readings?: Readings; whole?: WholeReading } = {},
): Today {
  const readings = more.readings ?? currentReadings(bundle)
  const answers = more.answers ?? bundle.answers
  const profile = deriveProfile(
    readings,
    bundle.client.age ?? undefined,
    more.whole ?? bundle.whole,
  )
  const asked = askedHere(bundle, answers)
  const before = beforeToday(bundle, readings)
  return {
    readings,
    profile,
    asked,
    earlier: earlierBars(before),
    verdict: holding(asked, profile, before),
    suspected: suspectedHere(bundle),
    patch: patchBars(bundle, profile),
    residual: residualOf(bundle, answers, profile),
  }
}

/** Of earlier visits, what today still has to mind. */
interface Before {
  rests: readonly Bar[]
  /** Why today goes one rung down from last time. */
  down: readonly StepDownRow[]
  breakout: readonly Bar[]
  reactions: readonly Bar[]
}
type BeforeSource = Pick<VisitBundle, 'today'> &
  Partial<Pick<VisitBundle, 'reactions' | 'patchTests' | 'lifts'>> & {
    past: readonly PastWork[]
    previousReading: { day: string; zones: Readings } | null
  }

/**
 * What earlier visits and readings leave for today: rests, reactions, patch tests, an older breakout.
 */
export const beforeToday = (
  { past, today, previousReading, reactions = [], patchTests = [], lifts = [] }: BeforeSource,
  readings: Readings = {},
): Before => ({
  rests: restBars(past, today),
  down: stepsDown(past, readings, previousReading?.zones),
  breakout: barsAfterBreakout(previousReading ?? undefined, today),
  reactions: lifts.some((lift) => lift.rule === REACTED_RULE)
    ? []
    : reactionBars(reactions, patchTests),
})

/** What earlier visits keep from being done today, as it is said. */
export const earlierBars = ({ rests, reactions, down, breakout }: Before): Bar[] => [
  ...rests,
  ...reactions,
  ...stepDownBars(down),
  ...breakout,
]

/** All that holds: the answers, what earlier visits leave, and what was read of the skin. */
export function holding(asked: Verdict, profile: Profile, before: Before): Verdict {
  const verdict = steppedDown(withSkin(asked, profile), before.down)
  return {
    ...verdict,
    bars: [
      ...verdict.bars,
      ...before.breakout,
      ...barsFromSkin(profile),
      ...barsFromBreakout(profile),
      ...before.rests,
    ],
  }
}

/**
 * The verdict of these answers in this house: the table as the house works it, less what was set
 * aside, and nothing scented where none is wanted.
 */
export function askedHere(
  bundle: Pick<VisitBundle, 'today' | 'houseRules' | 'lifts'> & {
    client: { preferences: Preferences; medicines: string }
    visit: { at: number }
  },
  answers: Answers,
): Verdict {
  const { medicines } = bundle.client
  const verdict = screen(
    withMedicines(answers, medicines),
    bundle.today,
    lifted(tightened(CONTRAINDICATIONS, bundle.houseRules), bundle.lifts),
    bundle.visit.at,
  )
  return {
    ...verdict,
    throughout: [...verdict.throughout, ...saidOfMedicines(medicines)],
    substances: [
      ...verdict.substances,
      ...avoidedBy(bundle.client.preferences).map(({ family, rule }) => ({
        word: INGREDIENTS[family].name,
        rule,
        family,
      })),
    ],
  }
}

/** The bare reading laid over the made-up one: what is known of today's skin. */
export const currentReadings = ({ readings }: Pick<VisitBundle, 'readings'>): Readings =>
  overlay(readings.madeUp ?? {}, readings.bare ?? {})

/** Bottles under suspicion, unless a licensed person has set that aside for this visit. */
function suspectedHere(bundle: VisitBundle): Record<string, string> {
  if (bundle.lifts.some((lift) => lift.rule === REACTED_RULE)) return {}
  const reactions = reactionsNow(bundle)
  return Object.fromEntries(
    bundle.shelf.flatMap(({ product }) => {
      const why = suspicion(product, reactions, bundle.patchTests)
      return why === undefined ? [] : [[product.id, why]]
    }),
  )
}

function patchBars(bundle: VisitBundle, profile: Profile): Record<string, string> {
  return Object.fromEntries(
    bundle.shelf.flatMap(({ product }) => {
      const bar = patchBar(
        patchState(
          product,
          bundle.patchTests,
          profile,
          bundle.usedProducts.includes(product.id),
          Math.max(bundle.now, bundle.visit.at),
          bundle.patchAgain ?? undefined,
        ),
      )
      return bar === undefined ? [] : [[product.id, bar]]
    }),
  )
}

function residualOf(
  { client, poured, visit, today, practice }: VisitBundle,
  answers: Answers,
  profile: Profile,
): Record<RegionId, number> {
  const half = halfLifeHours(client.age ?? undefined, profile.conditions.includes('dehydrated'))
  const atHome = pouredAtHome(answers, today, practice.timeZone, { until: visit.at })
  const before = poured.filter(({ planned }) => planned === undefined || !answers[planned])
  return remainingAt([...before, ...atHome], visit.at, half)
}
