import { RED_FROM, RED_SKIN_BARS, STUNG_SKIN_BARS } from '../../catalogue/rules/redSkin'
import type { FamilyId } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { GROUPS, nameRegions } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Bar } from '../../screening/verdict/verdict'
import { COMMON_PRACTICE } from '../../catalogue/kinds'
import { readRegion, type Readings } from '../../skin/readings'
import type { Draft, FoldContext, LeftZone, RoomState } from '../fold/roomState'

/** What a left zone is spared from now on. */
const spared = ({ why }: LeftZone): readonly FamilyId[] =>
  why === 'stung' ? STUNG_SKIN_BARS : RED_SKIN_BARS

type Left = RoomState['left']
type Families = NonNullable<FoldContext['familiesOf']>
const familiesOfRow: Families = ({ technique }) => TECHNIQUES[technique].families

/**
 * Zones of a step that the skin's own state takes out of it, whichever plan is worked by.
 * @param before only what was known by this moment, milliseconds since 1970
 */
export function leftOut(
  step: PlanStep,
  left: Left,
  familiesOf: Families = familiesOfRow,
  before = Number.POSITIVE_INFINITY,
): RegionId[] {
  const families = familiesOf(step)
  const bars = (region: RegionId): boolean => {
    const zone = left[region]
    return (
      zone !== undefined &&
      zone.at <= before &&
      spared(zone).some((family) => families.includes(family))
    )
  }
  const out = step.regions.filter(bars)
  // What reaches the whole face cannot go round a zone of it.
  const reaches = techniqueOf(step).wholeFace && GROUPS.face.some(bars)
  return reaches ? [...step.regions] : out
}

/** A step without the zones that are left; undefined where none of its zones remains. */
export function withoutLeft(
  step: PlanStep,
  left: Left,
  familiesOf?: Families,
  before?: number,
): PlanStep | undefined {
  const out = leftOut(step, left, familiesOf, before)
  if (out.length === 0) return step
  const regions = step.regions.filter((region) => !out.includes(region))
  return regions.length === 0 ? undefined : { ...step, regions }
}

/**
 * The steps of a plan as they are worked: what is over on the zones it was done on, what is still to
 * come without the zones that are left; a step of which no zone remains is not among them.
 */
export function stepsAsWorked(
  steps: readonly PlanStep[],
  { done, left }: Pick<RoomState, 'done' | 'left'>,
  familiesOf?: Families,
): PlanStep[] {
  return steps.flatMap((step) => {
    const over = done.find(({ key }) => key === step.key)
    if (over) return [{ ...step, regions: over.regions ?? step.regions }]
    return withoutLeft(step, left, familiesOf) ?? []
  })
}

/** A zone is left from now on; what it was left for first stays, a sting outweighs redness. */
export function leave(draft: Draft, region: RegionId, zone: LeftZone): void {
  const before = draft.left[region]
  if (before === undefined || (before.why !== 'stung' && zone.why === 'stung'))
    draft.left[region] = before ? { ...zone, at: before.at } : zone
}

/** The bare reading says which zones are red; one read again and calm is not left for it any more. */
export function leaveRed(draft: Draft, at: number, zones: Readings): void {
  for (const region of REGION_IDS) {
    const { redness } = readRegion(zones, region)
    if (redness === undefined) continue
    if (redness >= RED_FROM) leave(draft, region, { at, why: 'read', grade: redness })
    else if (draft.left[region]?.why === 'read') draft.left = without(draft.left, region)
  }
}

const without = (left: Draft['left'], region: RegionId): Draft['left'] =>
  Object.fromEntries(Object.entries(left).filter(([own]) => own !== region))

const WORDS: Readonly<Record<LeftZone['why'], string>> = {
  read: 'read red on bare skin',
  reddened: 'reddened',
  stung: 'stung',
}

/** "cheek L and cheek R: read red on bare skin", a line for each reason. */
export const leftWords = (left: Left): string[] =>
  (Object.keys(WORDS) as LeftZone['why'][]).flatMap((why) => {
    const regions = REGION_IDS.filter((region) => left[region]?.why === why)
    return regions.length > 0 ? [`${nameRegions(regions)}: ${WORDS[why]}`] : []
  })

/**
 * What is said of a step that goes round zones it was planned for.
 * @param whole the step as it was planned
 * @param worked the step as it is worked now
 */
export function wentRound(whole: PlanStep | undefined, worked: PlanStep, left: Left): string[] {
  const out = (whole?.regions ?? []).filter((region) => !worked.regions.includes(region))
  return leftWords(
    Object.fromEntries(out.flatMap((region) => (left[region] ? [[region, left[region]]] : []))),
  )
}

/** The same as bars, so that a new plan of the rest reckons with them. */
export const barsOfLeft = (left: Left): Bar[] =>
  REGION_IDS.flatMap((region) => {
    const zone = left[region]
    if (!zone) return []
    return [
      {
        rule: `left-${zone.why}`,
        does: 'local' as const,
        families: spared(zone),
        regions: [region],
        sentence: `${nameRegions([region])}: ${WORDS[zone.why]}. Calm work only there.`,
        reason: 'what reacts is left alone',
        lifts: 'therapist' as const,
        source: COMMON_PRACTICE,
      },
    ]
  })
