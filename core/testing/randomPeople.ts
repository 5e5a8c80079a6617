import fc from 'fast-check'
import type { FindingId } from '../catalogue/consultation/findings'
import { FINDING_ORDER } from '../catalogue/consultation/findings'
import { CONCERN_IDS, LICENCE_IDS, type LicenceId } from '../catalogue/kinds'
import { MAKE_UP_IDS } from '../catalogue/consultation/makeUp'
import { WORKING_STAGES } from '../catalogue/rules/intentions'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../catalogue/techniques/techniques'
import { isMain } from '../catalogue/techniques/traits'
import { INGREDIENT_IDS, INGREDIENTS } from '../catalogue/products/ingredients'
import { starterProducts } from '../catalogue/products/starter'
import { SCHOOL_IDS } from '../catalogue/schools/schools'
import { GROUPS } from '../face/regions'
import { ZONE_IDS, ZONES, type RegionId, type ZoneId } from '../face/zones'
import type { PlanInput } from '../planning/input'
import type { Answer } from '../screening/asking/answers'
import { addDays } from '../screening/asking/days'
import { restWindow } from '../timing/dwell'
import { MOST_GRADE, type Grade, type Readings, type ZoneReading } from '../skin/readings'
import { allNo, lot, planInput, TODAY } from './fixtures'

/** Somebody made up for a property of plans; nothing here is a fact of the trade. */
export interface Person {
  age: number
  readings: Readings
  unread: readonly ZoneId[]
  told: readonly FindingId[]
  /** Where what was told is, if it is somewhere. */
  where: readonly ZoneId[]
  aims: PlanInput['aims']
  school: PlanInput['school']
  slotMinutes: number
  daylight: boolean
  makeUp: PlanInput['makeUp']
  firstVisit: boolean
  licences: readonly LicenceId[]
  /** What no bottle may hold, as the client says it. */
  allergies: readonly string[]
  /** Asked for by name. */
  named: readonly TechniqueId[]
  /** Days until an event; none is ahead where it is nought. */
  eventIn: number
  /** In a house that has just opened: the starter shelf, and no device at all. */
  justOpened: boolean
  /** Labels of what rests say its minutes: from and to so many per cent into the window of its kind. */
  labels: { from: number; more: number } | null
}

const grade = (most: number) => fc.integer({ min: 0, max: most }) as fc.Arbitrary<Grade>
/** Low more often than high: most skin is not at its worst everywhere. */
const low = fc.oneof(
  { weight: 3, arbitrary: grade(1) },
  { weight: 1, arbitrary: grade(MOST_GRADE) },
)
const zoneReading: fc.Arbitrary<ZoneReading> = fc.record({
  oil: grade(4),
  water: grade(4),
  congestion: grade(4),
  redness: low,
  sensitivity: low,
  texture: grade(4),
  pigment: low,
  lines: grade(4),
  vessels: low,
  fragility: low,
  spots: low,
})
/** The face by parts that are read alike. */
const PARTS: readonly (readonly RegionId[])[] = [
  GROUPS.tZone,
  GROUPS.cheeks,
  GROUPS.orbital,
  ['neck', 'decollete'],
]
const zonesIn = (regions: readonly RegionId[]): ZoneId[] =>
  ZONE_IDS.filter((zone) => ZONES[zone].regions.some((region) => regions.includes(region)))

const ALLERGENS: readonly string[] = INGREDIENT_IDS.filter((id) => INGREDIENTS[id].allergen).map(
  (id) => INGREDIENTS[id].name,
)
/** What somebody may ask for by its name. */
const BY_NAME: readonly TechniqueId[] = TECHNIQUE_IDS.filter(
  (id) => isMain(id) && WORKING_STAGES.includes(TECHNIQUES[id].stage),
)

export const person: fc.Arbitrary<Person> = fc.record({
  age: fc.integer({ min: 18, max: 85 }),
  readings: fc
    .tuple(zoneReading, ...PARTS.map(() => fc.option(zoneReading)))
    .map(([all, ...parts]): Readings => ({
      ...Object.fromEntries(ZONE_IDS.map((zone) => [zone, all])),
      ...Object.fromEntries(
        parts.flatMap((part, i) => (part ? zonesIn(PARTS[i] ?? []).map((id) => [id, part]) : [])),
      ),
    })),
  unread: fc.oneof(fc.constant([]), fc.constant([]), fc.subarray([...ZONE_IDS], { maxLength: 4 })),
  told: fc.subarray([...FINDING_ORDER], { maxLength: 2 }),
  where: fc.subarray([...ZONE_IDS], { minLength: 1, maxLength: 3 }),
  aims: fc.uniqueArray(fc.constantFrom(...CONCERN_IDS), { maxLength: 4 }),
  school: fc.constantFrom(...SCHOOL_IDS),
  slotMinutes: fc.constantFrom(30, 45, 60, 60, 75, 90),
  daylight: fc.boolean(),
  makeUp: fc.subarray([...MAKE_UP_IDS], { maxLength: 2 }),
  firstVisit: fc.boolean(),
  licences: fc.constantFrom<readonly LicenceId[]>(LICENCE_IDS, LICENCE_IDS, ['basic']),
  allergies: fc.oneof(
    { weight: 3, arbitrary: fc.constant([]) },
    { weight: 1, arbitrary: fc.subarray([...ALLERGENS], { minLength: 1, maxLength: 2 }) },
  ),
  named: fc.oneof(
    { weight: 3, arbitrary: fc.constant([]) },
    { weight: 1, arbitrary: fc.constantFrom(...BY_NAME).map((id) => [id]) },
  ),
  eventIn: fc.constantFrom(0, 0, 0, 3, 10),
  justOpened: fc.constantFrom(false, false, true),
  labels: fc.oneof(
    { weight: 2, arbitrary: fc.constant(null) },
    {
      weight: 1,
      arbitrary: fc.record({
        from: fc.integer({ min: 0, max: 80 }),
        more: fc.integer({ min: 0, max: 60 }),
      }),
    },
  ),
})

let bottles = 0
const JUST_OPENED: Partial<PlanInput> = {
  devices: [],
  shelf: starterProducts(() => `starter-${bottles++}`).map((product) => ({
    product,
    lots: [lot(product.id)],
  })),
}

/** The same shelf with labels that say the minutes of what rests, inside the window of its kind. */
const labelled = (
  shelf: PlanInput['shelf'],
  { from, more }: NonNullable<Person['labels']>,
): PlanInput['shelf'] =>
  shelf.map((item) => {
    const window = restWindow(item.product.kind)
    if (!window) return item
    const at = (percent: number) =>
      window.from + Math.round(((window.to - window.from) * Math.min(percent, 100)) / 100)
    return { ...item, product: { ...item.product, rests: { from: at(from), to: at(from + more) } } }
  })

export function inputOfPerson(who: Person, more: Partial<PlanInput> = {}): PlanInput {
  const { age, unread, told, where, eventIn, aims, school, slotMinutes, daylight, allergies } = who
  const readings = Object.fromEntries(
    Object.entries(who.readings).filter(([zone]) => !unread.some((own) => own === zone)),
  ) as Readings
  const answers = allNo({
    ...Object.fromEntries(
      told.map((id): [string, Answer] => [id, { say: 'yes', zones: where, date: TODAY }]),
    ),
    ...(allergies.length > 0 ? { allergy: { say: 'yes', substances: [...allergies] } } : {}),
    ...(eventIn > 0 ? { eventSoon: { say: 'yes', date: addDays(TODAY, eventIn) } } : {}),
  })
  const { makeUp, firstVisit, licences, named, justOpened, labels } = who
  const own = planInput({
    readings,
    age,
    answers,
    aims,
    school,
    slotMinutes,
    daylight,
    makeUp,
    firstVisit,
    licences,
    named,
    ...(justOpened ? JUST_OPENED : {}),
    ...more,
  })
  return labels ? { ...own, shelf: labelled(own.shelf, labels) } : own
}

/** To name an allergy that was told without a name is to know more, and no caution. */
export const isCaution = ({ told, allergies }: Person, { name }: { name: string }): boolean =>
  !(told.includes('allergy') && allergies.length === 0 && name.startsWith('allergic'))

const CAUTIOUS = ['sensitivity', 'redness', 'fragility', 'vessels', 'spots'] as const
/** One thing more to be careful of: something told, read, not licensed for, or not read. */
export type Caution = (who: Person) => Person
const inZone = (
  { readings }: Person,
  zones: readonly ZoneId[],
  change: (zone: ZoneReading) => ZoneReading,
): Readings => ({
  ...readings,
  ...Object.fromEntries(zones.map((zone) => [zone, change(readings[zone] ?? {})])),
})
export const caution: fc.Arbitrary<{ name: string; of: Caution }> = fc.oneof(
  fc.constantFrom(...FINDING_ORDER).map((id) => ({
    name: `told ${id}`,
    of: (who: Person): Person => ({ ...who, told: [...new Set([...who.told, id])] }),
  })),
  fc
    .tuple(
      fc.constantFrom(...CAUTIOUS),
      fc.constantFrom<readonly RegionId[]>(...PARTS, GROUPS.face),
    )
    .map(([reading, part]) => ({
      name: `${reading} + 1 on ${part.join(', ')}`,
      of: (who: Person): Person => ({
        ...who,
        readings: inZone(who, zonesIn(part), (zone) => ({
          ...zone,
          [reading]: Math.min(MOST_GRADE, (zone[reading] ?? 0) + 1) as Grade,
        })),
      }),
    })),
  fc.constantFrom<readonly RegionId[]>(...PARTS, GROUPS.face).map((part) => ({
    name: `unread ${part.join(', ')}`,
    of: (who: Person): Person => ({
      ...who,
      unread: [...new Set([...who.unread, ...zonesIn(part)])],
    }),
  })),
  fc.constantFrom(...LICENCE_IDS.filter((id) => id !== 'basic')).map((id) => ({
    name: `no licence for ${id}`,
    of: (who: Person): Person => ({
      ...who,
      licences: who.licences.filter((own) => own !== id),
    }),
  })),
  fc.constantFrom(1, 3, 7).map((days) => ({
    name: `an event in ${days} days`,
    of: (who: Person): Person => ({
      ...who,
      eventIn: who.eventIn === 0 ? days : Math.min(days, who.eventIn),
    }),
  })),
  fc.constantFrom(...ALLERGENS).map((word) => ({
    name: `allergic to ${word}`,
    of: (who: Person): Person => ({ ...who, allergies: [...new Set([...who.allergies, word])] }),
  })),
  fc.constant({
    name: 'a first visit',
    of: (who: Person): Person => ({ ...who, firstVisit: true }),
  }),
)
