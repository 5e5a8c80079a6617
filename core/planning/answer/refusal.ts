import { KIND_NAMES, STAGE_IDS, type StageId } from '../../catalogue/kinds'
import { VISIT_MINUTES } from '../../catalogue/rules/visit'
import type { Why } from '../../catalogue/techniques/step'
import { techniquesOf } from '../../catalogue/techniques/stages'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { shortName } from '../../catalogue/techniques/traits'
import { nameRegions } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { ticksWithin } from '../../units'
import type { PlanInput } from '../input'
import type { PlanCase, SolveFrom, Stage } from '../question/planCase'
import { solve } from '../search/solve'
import { firstBar, type Allow } from '../today/allowance'
import { isChosen } from '../today/named'

/** Of what every visit has, the first that there is no way to do. */
export const gapIn = ({ stages }: PlanCase, start?: SolveFrom): Stage | undefined =>
  stages.find(
    (stage) =>
      stage.must &&
      stage.options.length === 0 &&
      STAGE_IDS.indexOf(stage.id) >= (start?.stage ?? 0),
  )

/** Why there is no plan, and a way on. */
export function refusalOf(
  input: PlanInput,
  allow: Allow,
  planCase: PlanCase,
  start?: SolveFrom,
): Why {
  const gap = gapIn(planCase, start)
  if (gap && input.licences.length === 0) return NO_SCOPE
  if (gap) return pinsOf(input, gap.id) ?? cannotBeDone(gap, input, allow)
  if ((input.pins ?? []).length > 0)
    return {
      rule: 'pinned',
      text: `No plan with the pinned steps fits ${input.slotMinutes} minutes and this skin. Unpin one, or make the visit longer.`,
    }
  return tooShort(input, planCase, start) ?? tooMuch(planCase) ?? NO_ORDER
}

const NO_SCOPE: Why = {
  rule: 'scope',
  text: 'Nothing can be planned: your licences are not set. An owner sets them under Practice, Scope.',
}
const NO_ORDER: Why = {
  rule: 'no-order',
  text:
    'The basic steps cannot be put in an order that this skin allows today. ' +
    'Plan it by hand: each step says what is wrong with it.',
}

/** Says that what is pinned in a stage leaves no way to do it; undefined where nothing is. */
function pinsOf(input: PlanInput, stage: StageId): Why | undefined {
  const own = (input.pins ?? []).filter((pin) => techniqueOf(pin).stage === stage)
  const names = own.map((pin) => techniqueOf(pin).name).join(' and ')
  return own.length === 0
    ? undefined
    : {
        rule: 'pinned',
        text:
          own.length > 1
            ? `${names} are pinned and do not go together. Unpin one.`
            : `${names} is pinned as it cannot be done today. Unpin it, or change its zones or minutes.`,
      }
}

/** Which bottle is missing, or what stands against each way of doing it. */
function cannotBeDone({ id }: Stage, input: PlanInput, allow: Allow): Why {
  const ways = techniquesOf(id)
    .filter((own) => isChosen(TECHNIQUES[own], input))
    .map(allow)
  const missing = ways.filter(({ never }) => never.some(({ rule }) => rule === NO_PRODUCT))
  const first = ways[0]?.technique
  const what = first ? shortName(first.id) : id
  if (missing.length === ways.length) {
    const kinds = missing.flatMap(({ technique: { product } }) =>
      product ? [`a ${KIND_NAMES[product]}`] : [],
    )
    return {
      rule: 'floor',
      text:
        `${what}: this client may have none of the bottles on the shelf for it. ` +
        `Receive ${kinds.join(' or ')} on Shelf, and propose again.`,
    }
  }
  const against = ways.flatMap((own) => own.never[0] ?? firstBar(own) ?? [])
  return {
    rule: 'floor',
    text: `${what} cannot be done today: ${against[0]?.text ?? 'no zone is left for it'}`,
  }
}
const NO_PRODUCT = 'no-product'

/** The minutes that the shortest visit takes, where more of them are all that is wanted. */
function tooShort(
  { slotMinutes }: PlanInput,
  planCase: PlanCase,
  start: SolveFrom | undefined,
): Why | undefined {
  const bare = { ...planCase, stages: onlyMust(planCase) }
  for (let minutes = slotMinutes + 1; minutes <= VISIT_MINUTES.most; minutes++) {
    if (!solve(bare, ticksWithin(minutes), start)) continue
    return {
      rule: 'over-slot',
      text: `The shortest visit takes ${minutes} minutes, and this one has ${slotMinutes}. Set the minutes to ${minutes}.`,
    }
  }
  return undefined
}
/** Nothing but what every visit has; the stages keep their places. */
const onlyMust = ({ stages }: PlanCase): Stage[] =>
  stages.map((stage) => (stage.must ? stage : { ...stage, options: [] }))

/** Whose load is more than a zone bears, alone. */
function tooMuch({ stages, tolerance, residual }: PlanCase): Why | undefined {
  const over = REGION_IDS.filter((region) => residual[region] >= tolerance[region])
  const washes = stages.filter(({ must }) => must).flatMap(({ options }) => options)
  const loaded = washes.filter(({ moves }) =>
    moves.some(({ freeAcid = 0, bottleRate = 0 }) => freeAcid + bottleRate > 0),
  )
  const [first] = loaded
  if (first) return loadWords(first.main[0], first.moves[0]?.regions ?? [])
  return over.length === 0
    ? undefined
    : {
        rule: 'over-tolerance',
        text:
          `${nameRegions(over)}: still full from the last visit and from home. ` +
          'Cleanse with water alone by hand, or come again when it has drained.',
      }
}
const loadWords = (id: TechniqueId | undefined, regions: readonly RegionId[]): Why | undefined =>
  id && {
    rule: 'over-tolerance',
    text:
      `${shortName(id)} alone is more than ${nameRegions(regions)} bears today: its bottle holds an ` +
      'active. Receive a plain one on Shelf, or rinse with water.',
  }
