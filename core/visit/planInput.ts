import type { PlanInput } from '../planning/input'
import { seasonOf } from '../catalogue/skin/season'
import type { RegionId } from '../face/zones'
import { REGION_IDS } from '../face/zones'
import { halfLifeHours, remainingAt } from '../load/ledger'
import type { Answers } from '../screening/answers'
import { INGREDIENTS } from '../catalogue/products/ingredients'
import { avoidedBy, type Preferences } from '../catalogue/consultation/preferences'
import { pouredAtHome } from '../load/home'
import { restBars } from '../load/rest'
import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { tightened } from '../screening/houseRules'
import { lifted } from '../screening/lifts'
import { patchBar, patchState } from '../screening/patch'
import { withSkin } from '../screening/skin'
import { screen, type Bar, type Verdict } from '../screening/verdict'
import { deriveProfile, type Profile } from '../skin/profile'
import { overlay, readRegion, type Grade, type Readings } from '../skin/readings'
import { dwellWindow } from '../timing/schedule'
import { isSensitive } from '../planning/today/adapt'
import type { FoldContext } from '../treatment/fold'

import type { VisitBundle } from './bundle'

/**
 * The verdict of these answers in this house today: the table as the house works it, less what was
 * set aside, and nothing scented where none is wanted.
 */
export function screenHere(
  b: Pick<VisitBundle, 'today' | 'houseRules' | 'lifts'> & { client: { preferences: Preferences } },
  answers: Answers,
): Verdict {
  const v = screen(answers, b.today, lifted(tightened(CONTRAINDICATIONS, b.houseRules), b.lifts))
  return {
    ...v,
    substances: [
      ...v.substances,
      ...avoidedBy(b.client.preferences).map(({ family, rule }) => ({
        word: INGREDIENTS[family].name,
        rule,
        family,
      })),
    ],
  }
}

/** What earlier work keeps from being done today: it joins the verdict on the screen. */
export const restsOf = (b: Pick<VisitBundle, 'past' | 'today'>): Bar[] => restBars(b.past, b.today)

/** Settling in, sitting up and clearing are steps of the plan; the slot is the booked time. */
export function toPlanInput(
  b: VisitBundle,
  more: Partial<Pick<PlanInput, 'slotMinutes'>> & { readings?: Readings } = {},
): PlanInput {
  const read = more.readings ?? currentReadings(b)
  const profile = deriveProfile(read, b.client.age ?? undefined, b.whole)
  const half = halfLifeHours(b.client.age ?? undefined, profile.conditions.includes('dehydrated'))
  return {
    today: b.today,
    daylight: !b.visit.evening,
    slotMinutes: more.slotMinutes ?? b.visit.minutes,
    madeUp: b.visit.madeUp,
    profile,
    answers: b.answers,
    verdict: withSkin(screenHere(b, b.answers), profile),
    past: b.past,
    residual: remainingAt(
      [...b.poured, ...pouredAtHome(b.answers, b.today)],
      b.visit.startsAt,
      half,
    ),
    shelf: b.shelf,
    patch: patchBars(b, profile),
    devices: b.devices,
    licences: b.staff.licences,
    school: b.visit.school,
    policy: b.policy,
    life: b.client.preferences,
    season: seasonOf(b.today, b.practice.timeZone),
    aims: b.visit.aims,
    faceSize: { height: b.client.faceHeightMm / 10, width: b.client.faceWidthMm / 10 },
  }
}

function patchBars(b: VisitBundle, profile: Profile): Record<string, string> {
  return Object.fromEntries(
    b.shelf.flatMap(({ product }) => {
      const bar = patchBar(
        patchState(
          product,
          b.patchTests,
          profile,
          b.usedProducts.includes(product.id),
          Math.max(b.now, b.visit.startsAt),
          b.patchAgain ?? undefined,
        ),
      )
      return bar === undefined ? [] : [[product.id, bar]]
    }),
  )
}

/** The bare reading laid over the made-up one: what is known of today's skin. */
export function currentReadings(b: VisitBundle): Readings {
  return overlay(b.readings.madeUp ?? {}, b.readings.bare ?? {})
}

export function foldContext(b: VisitBundle, input: PlanInput): FoldContext {
  const start = b.readings.madeUp ?? {}
  const baseline: Partial<Record<RegionId, Grade>> = {}
  for (const r of REGION_IDS) {
    const g = readRegion(start, r).redness
    if (g !== undefined) baseline[r] = g
  }
  const sensitive = isSensitive(input.profile)
  return {
    plans: Object.fromEntries(b.plans.map((p) => [p.version, p.steps])),
    dwellOf: (s) => dwellWindow(s, sensitive),
    baseline,
  }
}
