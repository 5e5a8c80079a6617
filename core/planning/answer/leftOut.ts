import { deviceOf, techniqueToday } from '../../catalogue/techniques/ownWay'
import { ASKS_FROM, MORE_ROOM_TICKS } from '../../catalogue/rules/value'
import { orderRule } from '../../catalogue/rules/orderRules'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { isMain, shortName } from '../../catalogue/techniques/traits'
import { listRegions } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { INTENTIONS, type Line } from '../../catalogue/rules/intentions'
import { intentionsOf } from '../agenda/intentions'
import { NO_INTENTION } from '../agenda/narrow'
import { firstBar } from '../today/allowance'
import { allowances } from '../today/allowed'
import type { Allowance } from '../today/allowance'
import { underUsual } from '../question/lengths'
import { isChosen, NOT_CHOSEN } from '../today/named'
import { askFor, keptToNeed } from '../today/need'
import type { PlanInput } from '../input'
import type { PlanCase } from '../question/planCase'
import { solve } from '../search/solve'
import { solveFor } from './cameFor'
import { heldIn } from './held'
import { fromTicks, ticksWithin, SHORTEST_STEP } from '../../units'

export interface LeftOut {
  technique: TechniqueId
  name: string
  why: Why
  extraMinutes?: number
  dropsOut?: readonly string[]
  /** An answer, the skin or an earlier visit keeps it away from this client today. */
  barred?: true
}

/** What belongs to every visit, or follows from another step, is not offered by itself. */
const OFFERED: readonly TechniqueId[] = TECHNIQUE_IDS.filter(isMain)

/**
 * What was left out, and its price: the rule that bars it, the minutes it would add, or what would
 * have to go.
 */
export function leftOut(
  input: PlanInput,
  steps: readonly PlanStep[],
  asked: readonly TechniqueId[] = OFFERED.filter((id) => isChosen(TECHNIQUES[id], input)),
): LeftOut[] {
  const used = new Set(steps.map((step) => step.technique))
  const allow = allowances(input)
  const solved = solveFor(input, allow)
  const { planCase } = solved
  const before = heldIn(planCase, solved.solution)
  // What would be done if each device stood here all the time.
  const otherwise = new Set(solved.solution?.moves.map((move) => move.technique))
  const out = asked
    .filter((technique) => !used.has(technique))
    .map((technique): LeftOut => {
      const { name } = TECHNIQUES[technique]
      const allowance = allow(technique)
      const never = allowance.never[0]
      if (never) return { technique, name, ...barredBy(never, input) }
      const elsewhere = otherwise.has(technique) ? inAnotherRoom(technique, input) : undefined
      if (elsewhere) return { technique, name, why: elsewhere }
      const first = firstBar(allowance)
      if (
        !planCase.stages.some((stage) =>
          stage.options.some((option) => option.main.includes(technique)),
        )
      ) {
        if (TECHNIQUES[technique].only === 'evening' && input.daylight)
          return {
            technique,
            name,
            why: { rule: 'oil-under-sun', text: orderRule('oil-under-sun').sentence },
          }
        const { minutesMost } = allowance
        const row = allowance.technique
        if (underUsual(row, minutesMost, input.slotMinutes))
          return { technique, name, why: tooShort(row, minutesMost, allowance.adapted[0]) }
        {
          const why = first ?? unasked(technique, input, used)
          return { technique, name, ...barredBy(why, input) }
        }
      }
      return price(technique, name, planCase, before, ticksWithin(input.slotMinutes))
    })
  // What the client came for and does not get is what has to be said first.
  const came = ({ technique }: LeftOut) => (input.named?.includes(technique) ? 0 : 1)
  return out.sort((one, other) => came(one) - came(other) || rank(one) - rank(other))
}

/**
 * A reason, and whether it is one of this client's own: an answer, what was read, an earlier visit. Where
 * that holds of some zones only, it names them: "cheeks: no grain, tip, vacuum or heat there".
 */
function barredBy(why: Why, { verdict }: PlanInput): Pick<LeftOut, 'why' | 'barred'> {
  const bars = verdict.bars.filter(({ rule }) => rule === why.rule)
  if (bars.length === 0) return { why }
  const regions = REGION_IDS.filter((region) => bars.some((bar) => bar.regions.includes(region)))
  return { why: regions.length < REGION_IDS.length ? placed(why, regions) : why, barred: true }
}
function placed({ rule, text }: Why, regions: readonly RegionId[]): Why {
  const where = listRegions(regions)
  const said = text.charAt(0).toLowerCase() + text.slice(1)
  return { rule, text: said.includes(': ') ? `${where}, ${said}` : `${where}: ${said}` }
}

/** Where the device of a technique is meanwhile that the plan would have but for that. */
function inAnotherRoom(technique: TechniqueId, input: PlanInput): Why | undefined {
  const device = deviceOf(techniqueToday(technique, input))
  const use = input.inUse?.find(({ kind }) => kind === device?.kind)
  return use && { rule: 'device-taken', text: `the ${use.name} is ${use.words}` }
}

/** Its usual time is more than today allows; by hand it may be added short. */
const tooShort = (
  { minutes }: Allowance['technique'],
  most: number,
  cause: Why | undefined,
): Why => ({
  rule: cause?.rule ?? 'usual-minutes',
  text: `its usual ${minutes.usual ?? 0} min are more than today's ${most}`,
})

/**
 * Nothing bars it: no zone asks for it, the visit is for something else, it goes with work that is not in
 * the plan, other work does what it would, or there is no room for it after what was asked for first.
 * @param used what the plan holds
 */
function unasked(technique: TechniqueId, input: PlanInput, used: ReadonlySet<TechniqueId>): Why {
  const hosts = TECHNIQUES[technique].straightAfter
  if (hosts && !hosts.some((host) => used.has(host)))
    return {
      rule: 'goes-after',
      text: `goes with ${shortName(hosts[0] ?? technique).toLowerCase()}, which is not in this plan`,
    }
  if (!isChosen(TECHNIQUES[technique], input)) return { rule: 'not-chosen', text: NOT_CHOSEN }
  const asks = REGION_IDS.some(
    (region) => askFor(TECHNIQUES[technique], region, input) >= ASKS_FROM,
  )
  if (keptToNeed(TECHNIQUES[technique]) && !asks)
    return { rule: 'no-need', text: 'this skin does not need it' }
  const lines = intentionsOf(input).flatMap(({ id }) => INTENTIONS[id].lines)
  const own = lines.filter(({ workers }) => workers.includes(technique))
  const [first] = own
  if (!first) return NO_INTENTION
  const held = ({ workers }: Line) => workers.find((id) => used.has(id))
  const lonely = own.every(
    ({ beside }) => beside && !lines.some((line) => line.part === beside && held(line)),
  )
  const main = lines.find(({ part }) => part === first.beside)?.workers[0]
  if (lonely && main)
    return {
      rule: 'goes-with',
      text: `goes with ${shortName(main).toLowerCase()}, which is not in this plan`,
    }
  const parts = own.map(({ part }) => part)
  const other = lines
    .filter(({ part }) => parts.includes(part))
    .flatMap((line) => held(line) ?? [])[0]
  return other
    ? { rule: 'other-work', text: `${shortName(other).toLowerCase()} does this today` }
    : { rule: 'no-room', text: 'no room for it after what was asked for first' }
}

const some = (names: readonly string[]): string =>
  names.length > 2
    ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
    : names.join(', ')
/** What only wants minutes first, then what would take another's place, then what is barred. */
const rank = (leftOut: LeftOut): number =>
  leftOut.extraMinutes !== undefined ? 0 : leftOut.why.rule === 'value' ? 1 : 2

function price(
  row: TechniqueId,
  name: string,
  planCase: PlanCase,
  before: ReadonlySet<TechniqueId>,
  slotTicks: number,
): LeftOut {
  const forced: PlanCase = {
    ...planCase,
    stages: planCase.stages.map((stage) =>
      stage.options.some((option) => option.main.includes(row))
        ? {
            ...stage,
            must: true,
            options: stage.options.filter((option) => option.main.includes(row)),
          }
        : stage,
    ),
  }
  const inSlot = solve(forced, slotTicks)
  if (inSlot) {
    const kept = heldIn(planCase, inSlot)
    const gone = [...before]
      .filter((item) => !kept.has(item))
      .map((technique) => TECHNIQUES[technique].name)
    const text =
      gone.length > 0
        ? `would replace ${some(gone.map((name) => name.toLowerCase().replace(/ on$|,.*$/, '')))}`
        : "serves today's aims less"
    return {
      technique: row,
      name,
      why: { rule: 'value', text },
      ...(gone.length > 0 ? { dropsOut: gone } : {}),
    }
  }
  const wide = solve(forced, slotTicks + MORE_ROOM_TICKS)
  if (wide)
    return {
      technique: row,
      name,
      why: { rule: 'over-slot', text: 'no minutes left for it' },
      extraMinutes: Math.max(SHORTEST_STEP, fromTicks(wide.ticks - slotTicks)),
    }
  const over = REGION_IDS.some((region: RegionId) => planCase.residual[region] > 0)
  return {
    technique: row,
    name,
    why: {
      rule: 'over-tolerance',
      text: over
        ? 'more than the skin can bear after the last visit'
        : 'more than this skin can bear today',
    },
  }
}
