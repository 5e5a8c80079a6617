import type { PlanInput } from '../planning/input'
import { seasonOf } from '../catalogue/skin/season'
import type { RegionId } from '../face/zones'
import { REGION_IDS } from '../face/zones'
import { halfLifeHours, remainingAt } from '../load/ledger'
import type { Answers } from '../screening/answers'
import { UNASKED_MAKE_UP } from '../catalogue/consultation/makeUp'
import { INGREDIENTS } from '../catalogue/products/ingredients'
import { avoidedBy, type Preferences } from '../catalogue/consultation/preferences'
import { lastTaken } from '../load/had'
import { drankLastTime, lastSettings } from './lastTime'
import { pouredAtHome } from '../load/home'
import { restBars } from '../load/rest'
import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { tightened } from '../screening/houseRules'
import { lifted } from '../screening/lifts'
import { patchBar, patchState } from '../screening/patch'
import { barsAfterBreakout } from '../screening/breakout'
import { withSkin } from '../screening/skin'
import { stepDownBars, steppedDown, stepsDown } from '../load/stepDown'
import type { StepDownRow } from '../catalogue/skin/stepDown'
import { screen, type Bar, type Verdict } from '../screening/verdict'
import { deriveProfile, type Profile } from '../skin/profile'
import { overlay, readRegion, type Grade, type Readings } from '../skin/readings'
import { VISIT_MINUTES } from '../timing/places'
import { dwellWindow } from '../timing/schedule'
import { REACTED_RULE, reactionBars, suspicion } from '../screening/reactions'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { confirmationsFor } from '../screening/confirm'
import { shortDwell } from '../planning/today/adapt'
import { DRANK_RULE } from '../catalogue/products/watering'
import { thirstyNow } from '../treatment/absorption'
import type { FoldContext } from '../treatment/fold'

import type { VisitBundle } from './bundle'
import { reactionsNow } from './reactionsNow'
import { familiesOfStep } from '../catalogue/products/families'

/**
 * The verdict of these answers in this house today: the table as the house works it, less what was
 * set aside, and nothing scented where none is wanted.
 */
export function screenHere(
  bundle: Pick<VisitBundle, 'today' | 'houseRules' | 'lifts'> & {
    client: { preferences: Preferences }
    visit: { at: number }
  },
  answers: Answers,
): Verdict {
  const verdict = screen(
    answers,
    bundle.today,
    lifted(tightened(CONTRAINDICATIONS, bundle.houseRules), bundle.lifts),
    bundle.visit.at,
  )
  return {
    ...verdict,
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

/** What earlier visits keep from being done today: it joins the verdict on the screen. */
export const restsOf = (
  pick: Pick<
    VisitBundle,
    'past' | 'today' | 'reactions' | 'patchTests' | 'lifts' | 'previousReading' | 'readings'
  >,
): Bar[] => [
  ...restBars(pick.past, pick.today),
  ...(pick.lifts.some((lift) => lift.rule === REACTED_RULE)
    ? []
    : reactionBars(pick.reactions, pick.patchTests)),
  ...stepDownBars(downOf(pick, currentReadings(pick))),
  ...barsAfterBreakout(pick.previousReading ?? undefined, pick.today),
]

/** Why today goes one rung down from last time. */
const downOf = (
  { past, previousReading }: Pick<VisitBundle, 'past' | 'previousReading'>,
  read: Readings,
): StepDownRow[] => stepsDown(past, read, previousReading?.zones)

/** Settling in, sitting up and clearing are steps of the plan; the slot is the booked time. */
export function toPlanInput(
  bundle: VisitBundle,
  more: Partial<Pick<PlanInput, 'slotMinutes' | 'within'>> & { readings?: Readings } = {},
): PlanInput {
  const read = more.readings ?? currentReadings(bundle)
  const profile = deriveProfile(read, bundle.client.age ?? undefined, bundle.whole)
  const half = halfLifeHours(
    bundle.client.age ?? undefined,
    profile.conditions.includes('dehydrated'),
  )
  return {
    today: bundle.today,
    daylight: !bundle.visit.evening,
    slotMinutes: more.slotMinutes ?? minutesToday(bundle.visit),
    makeUp: bundle.visit.makeUp ?? UNASKED_MAKE_UP,
    profile,
    answers: bundle.answers,
    verdict: verdictToday(bundle, read, profile),
    past: bundle.past,
    usedBefore: bundle.usedProducts,
    ...(more.within ? { within: more.within } : {}),
    ...(bundle.lastTime && lastTaken(bundle.past) === 'well'
      ? { lastSettings: lastSettings(bundle.lastTime.times) }
      : {}),
    firstVisit: bundle.previousPlan === null && bundle.past.length === 0,
    residual: remainingAt(
      [...bundle.poured, ...pouredAtHome(bundle.answers, bundle.today, false, bundle.visit.at)],
      bundle.visit.at,
      half,
    ),
    shelf: bundle.shelf,
    patch: patchBars(bundle, profile),
    suspected: suspectedHere(bundle),
    devices: bundle.devices,
    licences: bundle.staff.licences,
    school: bundle.visit.school,
    policy: bundle.policy,
    life: bundle.client.preferences,
    season: seasonOf(bundle.today, bundle.practice.timeZone),
    aims: bundle.visit.aims,
    named: bundle.visit.named,
    thirsty: thirstyNow(bundle.events, bundle.plans, drankBefore(bundle)),
    faceSize: { height: bundle.client.faceHeightMm / 10, width: bundle.client.faceWidthMm / 10 },
  }
}

/** What is left of the hour for a client who came late. */
export const minutesToday = ({
  minutes,
  lateMinutes = 0,
}: Pick<VisitBundle['visit'], 'minutes' | 'lateMinutes'>): number =>
  Math.max(VISIT_MINUTES.least, minutes - lateMinutes)

/** What the last visit showed of thirst, unless that is set aside for this one. */
const drankBefore = ({ lastTime, lifts }: VisitBundle): RegionId[] =>
  lastTime && !lifts.some((lift) => lift.rule === DRANK_RULE) ? drankLastTime(lastTime.times) : []

/** What the answers, the skin and the visit before leave of today. */
function verdictToday(bundle: VisitBundle, read: Readings, profile: Profile): Verdict {
  const verdict = steppedDown(
    withSkin(screenHere(bundle, bundle.answers), profile),
    downOf(bundle, read),
  )
  const after = barsAfterBreakout(bundle.previousReading ?? undefined, bundle.today)
  return { ...verdict, bars: [...verdict.bars, ...after] }
}

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

/** The bare reading laid over the made-up one: what is known of today's skin. */
export function currentReadings(bundle: Pick<VisitBundle, 'readings'>): Readings {
  return overlay(bundle.readings.madeUp ?? {}, bundle.readings.bare ?? {})
}

export function foldContext(bundle: VisitBundle, input: PlanInput): FoldContext {
  const { madeUp, bare } = bundle.readings
  const baseline: Partial<Record<RegionId, Grade>> = {}
  const readBare: RegionId[] = []
  for (const region of REGION_IDS) {
    const seen = readRegion(bare ?? {}, region).redness
    if (seen !== undefined) readBare.push(region)
    const redness = seen ?? readRegion(madeUp ?? {}, region).redness
    if (redness !== undefined) baseline[region] = redness
  }
  return {
    plans: Object.fromEntries(bundle.plans.map((plan) => [plan.version, plan.steps])),
    dwellOf: (step) => {
      const plan = bundle.plans.find(({ steps }) => steps.includes(step))
      return dwellWindow(step, shortDwell(input, plan?.steps)(step))
    },
    familiesOf: (step) => familiesOfStep(step, bundle.shelf),
    confirmsOf: (step) =>
      confirmationsFor(TECHNIQUES[step.technique], input.verdict).map(({ rule }) => rule),
    baseline,
    readBare,
  }
}
