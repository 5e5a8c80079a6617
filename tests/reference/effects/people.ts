import { LICENCE_IDS } from '#core/catalogue/kinds'
import type { Adaptation } from '#core/catalogue/skin/adaptations'
import type { Contraindication } from '#core/catalogue/consultation/contraindications'
import { FINDINGS } from '#core/catalogue/consultation/findings'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import type { PlanInput } from '#core/planning/input'
import type { Answer } from '#core/screening/asking/answers'
import { addDays } from '#core/screening/asking/days'
import type { Grade, ZoneReading } from '#core/skin/readings'
import { allNo, planInput, readAll, TODAY } from '#core/testing/fixtures'

/** A skin on which hardly any row holds: balanced, calm and smooth, neither young nor old. */
export const PLAIN = {
  oil: 2,
  water: 2,
  redness: 0,
  congestion: 2,
  sensitivity: 0,
  texture: 1,
  spots: 1,
  pigment: 1,
  lines: 1,
  vessels: 0,
  fragility: 0,
} as const satisfies ZoneReading

export const person = (
  skin: ZoneReading = {},
  more: Parameters<typeof planInput>[0] = {},
): PlanInput => planInput({ readings: readAll({ ...PLAIN, ...skin } as never), ...more })

/** Somebody who came for this work, so that strong work is looked at too. */
export const cameFor = (id: TechniqueId): PlanInput =>
  person(
    { oil: 3, congestion: 3, texture: 3, spots: 2, lines: 3, redness: 1 },
    { named: [id], aims: ['congestion', 'dullness', 'firmness', 'dehydration', 'rest'] },
  )

/** The same, had here a month ago and taken well, in hands without a licence for more. */
export const hadBefore = (id: TechniqueId): PlanInput => ({
  ...cameFor(id),
  licences: LICENCE_IDS.filter((own) => own !== TECHNIQUES[id].setting?.more?.licence),
  past: [
    {
      day: addDays(TODAY, -40),
      families: TECHNIQUES[id].families,
      regions: [],
      techniques: [id],
      taken: 'well',
    },
  ],
})

/** A plain yes of today, with whatever the row asks further. */
export function yesTo(row: Contraindication): Answer {
  const { asks } = FINDINGS[row.finding]
  return {
    say: 'yes',
    ...(asks.includes('date') || row.days !== undefined || row.ahead !== undefined
      ? { date: row.ahead === undefined ? TODAY : addDays(TODAY, 1) }
      : {}),
    ...(row.hours === undefined ? {} : { at: Date.parse(`${TODAY}T08:00:00Z`) }),
    ...(row.work === undefined ? {} : { work: [row.work] }),
    ...(row.substances === 'answered' ? { substances: ['honey'] } : {}),
  }
}

const OILY = { ...PLAIN, oil: 4 } as const
const COMBINATION = planInput({
  readings: readAll({ ...PLAIN, oil: 1 } as never, { forehead: OILY, nose: OILY, chin: OILY }),
})
const grades: readonly Grade[] = [0, 1, 2, 3, 4]
/** People on both sides of a row's own test: each grade of its reading, each age round its own. */
export function peopleRound({ when }: Adaptation): PlanInput[] {
  if ('reading' in when) return grades.map((grade) => person({ [when.reading]: grade }))
  if ('ageFrom' in when) return [39, 49, 59, 69, 79].map((age) => person({}, { age }))
  if ('makeUp' in when) return [person({}, { makeUp: when.makeUp })]
  if ('season' in when) return [person({}, { season: when.season })]
  if ('life' in when) return [person({}, { life: { [when.life[0]]: when.life[1] } })]
  if ('aim' in when) return [person({}, { aims: [when.aim] })]
  if ('type' in when) return [person({ oil: 4 }), person({ oil: 1 }), COMBINATION]
  if ('driedBy' in when)
    return [
      person({ water: 1 }, { answers: allNo({ [when.driedBy[0] ?? 'retinoid']: { say: 'yes' } }) }),
    ]
  return [person({ water: 1 }), person({ sensitivity: 3 }), person({ pigment: 4 })]
}
