import { orderRule } from '../../catalogue/rules/orderRules'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { isMain } from '../../catalogue/techniques/traits'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { allowances } from '../today/allowed'
import { compile } from '../question/compile'
import type { PlanInput } from '../input'
import type { PlanCase } from '../question/planCase'
import { solve, type Solution } from '../search/solve'
import { fromTicks, ticksWithin, SHORTEST_STEP } from '../../units'

export interface LeftOut {
  technique: TechniqueId
  name: string
  why: Why
  extraMinutes?: number
  dropsOut?: readonly string[]
}

/** What belongs to every visit, or follows from another step, is not offered by itself. */
export const OFFERED: readonly TechniqueId[] = TECHNIQUE_IDS.filter(isMain)

/**
 * What was left out, and its price: the rule that bars it, the minutes it would add, or what would
 * have to go.
 */
export function leftOut(
  input: PlanInput,
  steps: readonly PlanStep[],
  asked: readonly TechniqueId[] = OFFERED,
): LeftOut[] {
  const used = new Set(steps.map((s) => s.technique))
  const allow = allowances(input)
  const c = compile(input, allow)
  const base = solve(c, ticksWithin(input.slotMinutes))
  const out = asked
    .filter((t) => !used.has(t))
    .map((t): LeftOut => {
      const { name } = TECHNIQUES[t]
      const a = allow(t)
      const never = a.never[0]
      if (never) return { technique: t, name, why: never }
      const first = [...a.barred.values()][0]?.[0]
      if (!c.stages.some((s) => s.options.some((o) => o.main.includes(t)))) {
        if (TECHNIQUES[t].only === 'evening' && input.daylight)
          return {
            technique: t,
            name,
            why: { rule: 'oil-under-sun', text: orderRule('oil-under-sun').sentence },
          }
        return {
          technique: t,
          name,
          why: first ?? { rule: 'barred', text: orderRule('barred').sentence },
        }
      }
      return price(t, name, c, base, ticksWithin(input.slotMinutes))
    })
  return out.sort((a, b) => rank(a) - rank(b))
}

const some = (names: readonly string[]): string =>
  names.length > 2
    ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
    : names.join(', ')
/** What only wants minutes first, then what would take another's place, then what is barred. */
const rank = (l: LeftOut): number =>
  l.extraMinutes !== undefined ? 0 : l.why.rule === 'value' ? 1 : 2

function price(
  t: TechniqueId,
  name: string,
  c: PlanCase,
  base: Solution | undefined,
  slotTicks: number,
): LeftOut {
  const forced: PlanCase = {
    ...c,
    stages: c.stages.map((s) =>
      s.options.some((o) => o.main.includes(t))
        ? { ...s, must: true, options: s.options.filter((o) => o.main.includes(t)) }
        : s,
    ),
  }
  const inSlot = solve(forced, slotTicks)
  const before = mains(base, c)
  if (inSlot) {
    const gone = [...before].filter((x) => !mains(inSlot, c).has(x)).map((x) => TECHNIQUES[x].name)
    const text =
      gone.length > 0
        ? `instead of ${some(gone.map((g) => g.toLowerCase().replace(/ on$|,.*$/, '')))}`
        : "serves today's aims less"
    return {
      technique: t,
      name,
      why: { rule: 'value', text },
      ...(gone.length > 0 ? { dropsOut: gone } : {}),
    }
  }
  const wide = solve(forced, slotTicks + 60)
  if (wide)
    return {
      technique: t,
      name,
      why: { rule: 'over-slot', text: 'no minutes left for it' },
      extraMinutes: Math.max(SHORTEST_STEP, fromTicks(wide.ticks - slotTicks)),
    }
  const over = REGION_IDS.some((r: RegionId) => c.residual[r] > 0)
  return {
    technique: t,
    name,
    why: {
      rule: 'over-tolerance',
      text: over
        ? 'more than the skin can bear after the last visit'
        : 'more than this skin can bear today',
    },
  }
}

function mains(s: Solution | undefined, c: PlanCase): Set<TechniqueId> {
  const chosen = new Set(s?.options ?? [])
  return new Set(
    c.stages.flatMap((st) =>
      st.options.filter((o) => chosen.has(o.id)).flatMap((o) => [...o.main]),
    ),
  )
}
