import { ADAPTATIONS, type Adaptation, type SkinTest } from '../../catalogue/skin/adaptations'
import type { Technique } from '../../catalogue/techniques/techniques'
import { RESILIENT, SHORT_DWELL_REDNESS, SPOTTED_FROM } from '../../catalogue/skin/thresholds'
import { countsAsExfoliation, exfoliates } from '../../catalogue/techniques/traits'
import { freeAcidOf } from '../../dosing/freeAcid'
import { bottleRateOf } from '../../dosing/bottleRate'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { plannedGrade, type Profile } from '../../skin/profile'
import type { FindingId } from '../../catalogue/consultation/findings'
import type { PlanStep } from '../../catalogue/techniques/step'
import { once, oncePer } from '../../once'
import type { PlanInput } from '../input'

/**
 * The regions of a technique's reach in which a row holds today; whole-client tests hold in all of
 * them.
 */
export function regionsMeeting(
  adaptation: Adaptation,
  input: PlanInput,
  technique: Technique,
): RegionId[] {
  const { when, only } = adaptation
  const met = 'reading' in when ? showing(input.profile)(when) : holds(adaptation, input)
  if (met === false) return []
  return reachOf(technique).filter(
    (region) => (met === true || met.has(region)) && (only === undefined || only.includes(region)),
  )
}

/** The zones of a skin that show what a row asks after: looked for once, whatever is planned there. */
const showing = oncePer((profile: Profile) =>
  once(
    (test: SkinTest): ReadonlySet<RegionId> =>
      new Set(REGION_IDS.filter((region) => meets(profile, region, test))),
  ),
)

/** Whether a test of the whole client holds; a test of regions never does here. */
function holds({ when }: Adaptation, input: PlanInput): boolean {
  const { profile } = input
  if ('ageFrom' in when) return (profile.age ?? 0) >= when.ageFrom
  if ('type' in when) return when.type.includes(profile.type)
  if ('condition' in when) return profile.conditions.includes(when.condition)
  if ('makeUp' in when) return when.makeUp.some((id) => input.makeUp.includes(id))
  if ('season' in when) return input.season === when.season
  if ('aim' in when) return input.aims.includes(when.aim)
  if ('life' in when) return input.life?.[when.life[0]] === when.life[1]
  if ('driedBy' in when)
    return (
      profile.conditions.includes('dehydrated') &&
      when.driedBy.some((finding) => input.answers[finding]?.say === 'yes')
    )
  return false
}

function meets(profile: Profile, region: RegionId, test: SkinTest): boolean {
  const grade = plannedGrade(profile, region, test.reading)
  return (
    (test.atLeast === undefined || grade >= test.atLeast) &&
    (test.atMost === undefined || grade <= test.atMost)
  )
}

const REACH = new Map<string, RegionId[]>()
/** The regions that a technique is done on, whatever today has against it. */
export function reachOf(technique: Technique): RegionId[] {
  let reach = REACH.get(technique.id)
  if (!reach) {
    const wanted = new Set(technique.groups.flatMap((group) => GROUPS[group]))
    reach = wanted.size === 0 ? [...REGION_IDS] : REGION_IDS.filter((region) => wanted.has(region))
    REACH.set(technique.id, reach)
  }
  return reach
}

/**
 * Skin whose masks come off at the short end: as the row says, and wherever redness already stands.
 */
export const isSensitive = (profile: Profile, rows: readonly Adaptation[] = ADAPTATIONS) => {
  const short = rows.find((row) => row.shortDwell)
  return (region: RegionId): boolean =>
    short !== undefined &&
    'reading' in short.when &&
    (meets(profile, region, short.when) ||
      plannedGrade(profile, region, 'redness') >= SHORT_DWELL_REDNESS)
}

/**
 * Where a step comes off at the short end of its window: on sensitive or red skin, the first time
 * a product is used on this client, and where something was taken off today, at home or by an
 * earlier step of `steps` (common practice). What takes something off itself has its own window.
 */
export function shortDwell(
  input: Pick<PlanInput, 'profile' | 'usedBefore' | 'answers' | 'today' | 'shelf'>,
  steps: readonly PlanStep[] = [],
): (step: Pick<PlanStep, 'key' | 'technique' | 'productId'>) => (region: RegionId) => boolean {
  const sensitive = isSensitive(input.profile)
  const worked = exfoliatedToday(input)
  const first = steps.findIndex((step) => takesOffSkin(input, step))
  const afterwards = new Set(first < 0 ? [] : steps.slice(first + 1).map((step) => step.key))
  return (step) => {
    const isNew = step.productId !== undefined && !input.usedBefore.includes(step.productId)
    const after = afterwards.has(step.key) && !exfoliates(step.technique)
    return isNew || worked || after ? () => true : sensitive
  }
}

/** Whether a step of a plan counts as an exfoliation, with the acid of its bottle. */
export function takesOffSkin(
  { shelf }: Pick<PlanInput, 'shelf'>,
  { technique, productId }: Pick<PlanStep, 'technique' | 'productId'>,
): boolean {
  const bottle = shelf.find(({ product }) => product.id === productId)?.product
  return countsAsExfoliation(technique, bottle ? freeAcidOf(bottle) + bottleRateOf(bottle) : 0)
}

/** What was done at home today and takes something off: it is the first exfoliation of the day. */
const AT_HOME: readonly FindingId[] = ['homeScrub', 'homeAcid', 'shaveWax']
/** Whether something was taken off at home today already, as far as it was told. */
export const exfoliatedToday = ({
  answers,
  today,
}: Pick<PlanInput, 'answers' | 'today'>): boolean =>
  AT_HOME.some((finding) => {
    const answer = answers[finding]
    return answer?.say === 'yes' && answer.date === today
  })

/**
 * A skin that may bear two exfoliations in one visit: read everywhere, and hardly sensitive or red
 * anywhere.
 */
export function isResilient(profile: Profile): boolean {
  return (
    profile.unread.length === 0 &&
    !profile.conditions.includes('marksEasily') &&
    REGION_IDS.every(
      (region) =>
        plannedGrade(profile, region, 'sensitivity') <= RESILIENT.sensitivityMost &&
        plannedGrade(profile, region, 'redness') <= RESILIENT.rednessMost,
    ) &&
    (profile.age === undefined || profile.age < RESILIENT.underAge)
  )
}

/** Regions where spots were seen: where a mask for spots may go. */
export const spotRegions = (profile: Profile): RegionId[] =>
  REGION_IDS.filter((region) => plannedGrade(profile, region, 'spots') >= SPOTTED_FROM)
