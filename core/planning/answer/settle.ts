import { FINDING_ORDER } from '../../catalogue/consultation/findings'
import { LICENCE_IDS } from '../../catalogue/kinds'
import type { ConditionId } from '../../catalogue/skin/conditions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { screen } from '../../screening/verdict/verdict'
import type { Answers } from '../../screening/asking/answers'
import type { Profile } from '../../skin/profile'
import type { ZoneReading } from '../../skin/readings'
import { ticksWithin } from '../../units'
import { agendaOf, type Work } from '../agenda/work'
import type { PlanInput } from '../input'
import { compile } from '../question/compile'
import type { SolveFrom } from '../question/planCase'
import { solve } from '../search/solve'
import { allowances } from '../today/allowed'
import { heldIn } from './held'

/**
 * The agenda of a visit as the hour really holds it: of the work that is wanted, what the proved best
 * plan for the same wishes holds when nothing speaks against any of it. Cautions are not looked at, so
 * that work which cannot share the visit with other work is not brought in by a caution on that; nor
 * is a worker in whose place that plan holds a milder one.
 */
export function settledAgenda(input: PlanInput, start?: SolveFrom): Work[] {
  const agenda = agendaOf(input)
  if (agenda.length < 2) return agenda
  const free = withoutCaution(input)
  // The same wishes, house and hour hold the same, whatever is told or read between two plans.
  const { shelf, ...rest } = free
  const asked = JSON.stringify([agenda, rest, start])
  if (last?.asked !== asked || last.shelf !== shelf)
    last = { asked, shelf, found: held(agenda, free, start) }
  return last.found
}
/** The shelf is sent once and then stays the same: it is known by itself, not by its words. */
let last: { asked: string; shelf: PlanInput['shelf']; found: Work[] } | undefined

function held(agenda: Work[], free: PlanInput, start: SolveFrom | undefined): Work[] {
  const planCase = compile(free, allowances(free), agenda)
  const solution = solve(planCase, ticksWithin(free.slotMinutes), start)
  if (!solution) return agenda
  const inPlan = heldIn(planCase, solution)
  return agenda.flatMap((work) => {
    const [first, ...milder] = work.ladder.slice(work.ladder.findIndex((id) => inPlan.has(id)))
    const done = work.ladder.some((id) => inPlan.has(id))
    return done && first ? [{ ...work, ladder: [first, ...milder] }] : []
  })
}

const NONE: Answers = Object.fromEntries(FINDING_ORDER.map((id) => [id, { say: 'no' }]))
const CAUTIOUS: readonly ConditionId[] = ['sensitive', 'reactive', 'mature', 'marksEasily']

/** The same wishes, house and hour of somebody whose skin bears everything. */
const withoutCaution = (input: PlanInput): PlanInput => ({
  ...input,
  answers: NONE,
  verdict: screen(NONE, input.today),
  profile: resilient(input.profile),
  past: [],
  firstVisit: false,
  residual: Object.fromEntries(REGION_IDS.map((id) => [id, 0])) as Record<RegionId, number>,
  patch: {},
  suspected: {},
  licences: LICENCE_IDS,
  usedBefore: input.shelf.map(({ product }) => product.id),
})

function resilient({ age: _age, ...profile }: Profile): Profile {
  const calm = (reading: ZoneReading): ZoneReading => ({
    ...reading,
    sensitivity: 0,
    redness: 0,
    vessels: 0,
    fragility: 0,
    spots: 0,
  })
  return {
    ...profile,
    conditions: profile.conditions.filter((id) => !CAUTIOUS.includes(id)),
    regions: Object.fromEntries(
      REGION_IDS.map((id) => [id, calm(profile.regions[id])]),
    ) as Profile['regions'],
    unread: [],
  }
}
