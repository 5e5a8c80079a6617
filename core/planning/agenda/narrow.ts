import { AGENDA_VALUE } from '../../catalogue/rules/value'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { once } from '../../once'
import { minutes } from '../../units'
import type { PlanInput } from '../input'
import type { Allow, Allowance } from '../today/allowance'
import { isWork } from './milder'
import { isChosen, NOT_CHOSEN } from '../today/named'
import { noStronger, permittedOf, type Permitted } from './permit'
import type { Work } from './work'

/** Why a technique is not in the question: no intention of today works with it. */
export const NO_INTENTION = {
  rule: 'no-intention',
  text: 'not what this visit is for',
}

/**
 * What today allows, cut down to what the visit is for: work only as the agenda has it and the skin
 * bears it, each with what it is worth there; care as it is.
 */
export function forToday(input: PlanInput, allow: Allow, agenda: readonly Work[]): Allow {
  const mild: Allow = once((id: TechniqueId) => noStronger(allow(id), input))
  const permitted = permittedOf(input, mild, agenda)
  const byHand = new Set<TechniqueId>(
    [input.protocol ?? [], input.pins ?? []].flatMap((steps) =>
      steps.map(({ technique }) => technique),
    ),
  )
  return once((id: TechniqueId) => {
    const allowance = mild(id)
    if (byHand.has(id)) return allow(id)
    if (!isChosen(TECHNIQUES[id], input))
      return {
        ...allowance,
        never: [...allowance.never, { rule: 'not-chosen', text: NOT_CHOSEN }],
      }
    const own = permitted.find(
      ({ technique, work }) =>
        technique === id ||
        // Of care any that serves may be taken; work is not weighed against it.
        (work.ladder.includes(id) && !isWork(TECHNIQUES[id]) && !isWork(TECHNIQUES[technique])),
    )
    if (own) return withWork(allowance, own)
    if (!isWork(TECHNIQUES[id])) return allowance
    return { ...allowance, never: [...allowance.never, NO_INTENTION] }
  })
}

function withWork(allowance: Allowance, own: Permitted): Allowance {
  const { regions, dwellMost, passes, work } = own
  const exact = {
    regions,
    minutes: minutes(own.minutes),
    ...(dwellMost === undefined ? {} : { dwellMost }),
    ...(passes === undefined ? {} : { passes }),
  }
  return {
    ...allowance,
    // Zones that would shorten it are not among those that are worked.
    ...(isWork(allowance.technique) ? { minutesMost: exact.minutes } : {}),
    work: {
      intention: work.intention,
      worth: worthOf(own),
      ...(work.helps === undefined ? {} : { helps: work.helps }),
      ...(isWork(allowance.technique) ? { exact } : {}),
    },
  }
}

/** The earlier its intention and its place in it, the more; less, where it may be done for less. */
function worthOf({ work: { rank, place }, technique, share }: Permitted): number {
  const whole = wholeOf(rank, place)
  return isWork(TECHNIQUES[technique]) ? Math.floor(whole * share) : whole
}
function wholeOf(rank: number, place: number): number {
  const { unit, byRank, byPlace, mostRank, mostPlace } = AGENDA_VALUE
  return unit * byRank ** (mostRank - rank) * byPlace ** Math.max(0, mostPlace - place)
}
